<?php

namespace App\Actions;

use App\Models\Fact;
use App\Models\Joint;
use App\Models\Line;
use App\Models\Photo;
use App\Models\Pipe;
use App\Models\PressureTest;
use App\Models\ProcedureText;
use App\Models\Stretch;
use App\Models\User;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Seal\Statement;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Storage;

/**
 * What a seal of each of several subjects of a line would say if it were made of what stands in the database now. Read in
 * bulk, from the rows themselves: what a row says of itself, such as the hash of a text, is worked out and not believed.
 *
 * @phpstan-type Sealed array{
 *     type: string, id: string, position: int, previous: string, verdict: string, user: int, role: string|null, alone: bool,
 *     at: string,
 *     judged_with: array<string, mixed>
 * }
 */
final class StateSeals
{
    private readonly ChangesOfLine $changes;

    /** @var array<string, string> hash by which a text is kept => hash that it has */
    private array $hashes = [];

    /** @var array<string, array<string, string>> hash by which a text is kept => key of a step => its title */
    private array $titles = [];

    /** @param  bool  $readsPhotos  by their bytes, and not by what their rows say of them */
    public function __construct(private readonly Line $line, private readonly bool $readsPhotos = false)
    {
        $this->changes = new ChangesOfLine($line);
    }

    /**
     * @param  list<Sealed>  $seals
     * @return list<Statement|null> one for each; null where what was sealed is gone
     */
    public function of(array $seals): array
    {
        $ids = array_column($seals, 'id');
        $types = array_values(array_unique(array_column($seals, 'type')));
        $subjects = $this->subjects($types, $ids);
        $facts = self::facts($types, $ids);
        $photos = $this->photos($types, $ids);
        $names = User::query()->whereIn('id', array_column($seals, 'user'))->pluck('name', 'id');
        $line = $this->sayLine();
        $stated = [];
        foreach ($seals as $seal) {
            [$subject, $procedure] = $seal['type'] === ChangesOfLine::TYPE
                ? [['type' => ChangesOfLine::TYPE, 'id' => $seal['id']], null]
                : $subjects[$seal['id']] ?? [null, ''];
            $procedure ??= $this->procedureAt($seal['position']);
            $stated[] = $subject === null ? null : Statement::of(
                $seal['position'],
                $seal['previous'],
                $this->changes->asOf($seal['position'], $line),
                $subject,
                $this->hashOf($procedure),
                $facts[$seal['id']] ?? [],
                $photos[$seal['id']] ?? [],
                $seal['verdict'],
                ['name' => (string) ($names[$seal['user']] ?? ''), 'role' => $seal['role']] +
                    ($seal['alone'] ? ['made_it_alone' => true] : []),
                $seal['at'],
                $seal['judged_with'],
            );
        }

        return $stated;
    }

    /** Hash of the line's procedure as a seal at a place of the chain knew it. */
    private function procedureAt(int $position): string
    {
        $then = $this->changes->asOf($position, ['procedure_hash' => $this->line->procedure_hash])['procedure_hash'];

        return \is_string($then) ? $then : $this->line->procedure_hash;
    }

    /** @return array<string, string> how people call the steps of what was sealed, by key */
    public function titles(string $kept): array
    {
        if (! isset($this->titles[$kept])) {
            $this->titles[$kept] = [];
            foreach (ProcedureText::query()->find($kept)?->procedure()->steps ?? [] as $step) {
                $this->titles[$kept][$step->key] = $step->title([]);
            }
        }

        return $this->titles[$kept];
    }

    /** @return array<string, mixed> */
    private function sayLine(): array
    {
        return [
            'id' => $this->line->id, 'name' => $this->line->name, 'service' => $this->line->service, 'pipe' => $this->line->pipe,
            'design_bar' => $this->line->design_bar, 'mdp_bar' => $this->line->mdp_bar,
            'centre_line' => ChangesOfLine::hashOf($this->line->centre_line),
        ];
    }

    /**
     * @param  list<string>  $types
     * @param  list<string>  $ids
     * @return array<string, array{array<string, mixed>, string|null}> what it is, and the hash by which its procedure is kept;
     *                                                                 null: that of the line
     */
    private function subjects(array $types, array $ids): array
    {
        $said = [];
        if (\in_array('joint', $types, true)) {
            $joints = Joint::query()->whereIn('id', $ids)->get();
            $meeting = array_filter([...$joints->pluck('pipe_a_id'), ...$joints->pluck('pipe_b_id')]);
            $pipes = Pipe::query()->whereIn('id', $meeting)->get()->keyBy('id');
            foreach ($joints as $joint) {
                $said[$joint->id] = [
                    [
                        'type' => 'joint', 'id' => $joint->id, 'number' => $joint->number, 'chainage_m' => $joint->chainage_m,
                        'place' => $joint->place, 'side' => $joint->side, 'host' => $joint->host_id, 'replaces' => $joint->replaces_id,
                        // A serial number may be read later; what it was judged by stays.
                        'pipes' => array_map(
                            fn (?string $id) => $pipes->get($id ?? '')?->only(['number', 'size']),
                            ['a' => $joint->pipe_a_id, 'b' => $joint->pipe_b_id],
                        ),
                    ],
                    $joint->procedure_hash,
                ];
            }
        }
        if (\in_array(SealAnew::TYPE, $types, true)) {
            $said[$this->line->id] = [['type' => SealAnew::TYPE, 'id' => $this->line->id], null];
        }
        if (\in_array('test', $types, true)) {
            foreach (PressureTest::query()->with('section')->whereIn('id', $ids)->get() as $test) {
                $said[$test->id] = [
                    [
                        'type' => 'test', 'id' => $test->id, 'number' => $test->number, 'section' => $test->section->name,
                        'from_m' => $test->section->from_m, 'to_m' => $test->section->to_m,
                        'plan' => hash('sha256', Procedure::canonical($test->context)),
                    ],
                    $test->section->method_hash,
                ];
            }
        }
        if (\in_array('stretch', $types, true)) {
            foreach (Stretch::query()->whereIn('id', $ids)->get() as $stretch) {
                $said[$stretch->id] = [
                    [
                        'type' => 'stretch', 'id' => $stretch->id, 'name' => $stretch->name,
                        'from_m' => $stretch->from_m, 'to_m' => $stretch->to_m,
                    ],
                    $stretch->procedure_hash,
                ];
            }
        }

        return $said;
    }

    /**
     * @param  list<string>  $types
     * @param  list<string>  $ids
     * @return array<string, list<array<string, mixed>>>
     */
    private static function facts(array $types, array $ids): array
    {
        $facts = [];
        $recorded = Fact::query()
            ->select('facts.*')
            ->addSelect(['by' => User::query()->select('name')->whereColumn('users.id', 'facts.user_id')])
            ->whereIn('subject_type', $types)
            ->whereIn('subject_id', $ids)
            ->orderBy('subject_type')
            ->orderBy('subject_id')
            ->orderBy('seq');
        foreach ($recorded->cursor() as $fact) {
            $facts[$fact->subject_id][] = $fact->stated();
        }

        return $facts;
    }

    /**
     * @param  list<string>  $types
     * @param  list<string>  $ids
     * @return array<string, list<array{id: string, step: string, sha256: string}>>
     */
    private function photos(array $types, array $ids): array
    {
        /** @var Collection<int, Photo> $taken */
        $taken = Photo::query()
            ->whereIn('subject_type', $types)
            ->whereIn('subject_id', $ids)
            ->orderBy('created_at')
            ->orderBy('id')
            ->get();
        $photos = [];
        foreach ($taken as $photo) {
            $photos[$photo->subject_id][] = [
                'id' => $photo->id,
                'step' => $photo->step,
                'sha256' => $this->readsPhotos ? self::bytesOf($photo) : $photo->sha256,
            ];
        }

        return $photos;
    }

    private static function bytesOf(Photo $photo): string
    {
        return hash('sha256', (string) Storage::get(Photo::path($photo->id)));
    }

    /** Worked out anew from the text, once. */
    private function hashOf(string $kept): string
    {
        return $this->hashes[$kept] ??= Procedure::hash(
            (array) json_decode(ProcedureText::query()->findOrFail($kept)->body, true, 64, JSON_THROW_ON_ERROR),
        );
    }
}
