<?php

namespace App\Actions;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;
use App\Models\ProcedureText;
use App\Models\StoreItem;
use App\Models\User;
use Diastoma\Core\Pipe\PipeNumber;

/** Finds lines, joints, pipes, things of the stores and procedures by what people call them: name, number or serial. */
final class FindAnything
{
    /** Of each kind; who wants more says more. */
    private const MOST = 8;

    /** @return list<array{kind: string, id: string, name: string, of: string}> the nearest first: exact numbers before beginnings */
    public function __invoke(User $person, string $text): array
    {
        $projects = $person->projects->modelKeys();
        $text = trim($text);
        if ($text === '') {
            return [];
        }
        $like = addcslashes($text, '%_\\').'%';
        $ofMine = Line::query()->select('id')->whereIn('project_id', $projects);

        return array_values([
            ...Line::query()->whereIn('project_id', $projects)->where('name', 'like', "%{$like}")
                ->orderBy('name')->limit(self::MOST)->get()
                ->map(fn (Line $l) => ['kind' => 'line', 'id' => $l->id, 'name' => $l->name, 'of' => $l->project->name]),
            ...Joint::query()->whereIn('line_id', $ofMine)->where('number', 'like', $like)->with('ofLine')
                ->orderByRaw('number <> ?', [$text])->orderByRaw('LENGTH(number)')->orderBy('number')->limit(self::MOST)->get()
                ->map(fn (Joint $j) => ['kind' => 'joint', 'id' => $j->id, 'name' => $j->name(), 'of' => $j->ofLine->name]),
            ...Pipe::query()->whereIn('line_id', $ofMine)->with('line')
                ->where(fn ($q) => $q->where('plain', PipeNumber::plain($text))->orWhere('serial', 'like', $like))->limit(self::MOST)->get()
                ->map(fn (Pipe $p) => ['kind' => 'pipe', 'id' => $p->line_id, 'name' => $p->number, 'of' => $p->line->name]),
            ...StoreItem::inStores()->whereIn('project_id', $projects)->with('project')
                ->where(fn ($q) => $q->where('name', 'like', "%{$like}")->orWhere('values->serial', 'like', $like))
                ->limit(self::MOST)->get()
                ->map(fn (StoreItem $i) => ['kind' => 'thing', 'id' => $i->id, 'name' => $i->name, 'of' => $i->project->name]),
            ...ProcedureText::usableIn($projects)->where('title', 'like', "%{$like}")->latest()->get()
                ->unique('key')->take(self::MOST)
                ->map(fn (ProcedureText $p) => ['kind' => 'procedure', 'id' => $p->hash, 'name' => $p->title, 'of' => $p->version]),
        ]);
    }
}
