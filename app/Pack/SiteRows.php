<?php

namespace App\Pack;

use App\Actions\AddStretch;
use App\Models\Fact;
use App\Models\PressureTest;
use App\Models\Seal;
use App\Models\Stretch;
use App\Support\Say;
use Illuminate\Database\Eloquent\Builder;

/** Records of the site that belong to a test: what lies along its section, and the days on which something was recorded of it. */
final class SiteRows
{
    /** @return list<array{name: string, what: string, verdict: string, signed: string}> */
    public static function of(PressureTest $test): array
    {
        $line = $test->line();
        $zone = new \DateTimeZone($line->project->time_zone);
        $days = $test->recorded()->map(fn (Fact $f) => AddStretch::day(new \DateTimeImmutable($f->recorded_at), $zone))->unique();
        $section = $test->section;
        $records = Stretch::query()
            ->with('procedureText')
            ->where('line_id', $line->id)
            ->where(fn (Builder $q) => $q
                ->where(fn (Builder $along) => $along
                    ->where('from_m', '<=', $section->to_m)
                    ->whereRaw('COALESCE(to_m, from_m) >= ?', [$section->from_m]))
                ->orWhereIn('name', $days))
            ->orderBy('created_at')
            ->get()
            ->filter(fn (Stretch $s) => $s->procedure()->place !== Stretch::OF_LINE
                || ($s->procedure()->daily && $days->contains($s->name)));
        $signers = Seal::query()->with('user')->whereIn('subject_id', $records->modelKeys())->get()->keyBy('subject_id');

        return array_values($records->map(fn (Stretch $s) => [
            'name' => $s->name,
            'what' => $s->procedureText->title,
            'verdict' => $s->verdict,
            'signed' => $signers->get($s->id)->user->name ?? Say::text('pack.notSigned'),
        ])->all());
    }
}
