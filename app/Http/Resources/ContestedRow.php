<?php

namespace App\Http\Resources;

use App\Models\Contested;
use App\Models\Subject;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\UnitSystem;

/** A reading that is kept beside the record, as a page shows it. */
final class ContestedRow
{
    /** @return list<array<string, mixed>> the newest last */
    public static function of(Subject $subject, UnitSystem $units): array
    {
        $words = new Words($units, new \DateTimeZone($subject->line()->project->time_zone));

        return array_values(Contested::of($subject)->with(['user', 'decider'])->orderBy('seq')->get()
            ->map(fn (Contested $c) => [
                'id' => $c->id,
                'step' => $c->step,
                'title' => $subject->procedure()->step($c->step)?->title($subject->context()) ?? $c->step,
                'said' => self::inWords($subject, $c->step, $c->value, $words),
                'by' => $c->user->name,
                'recorded_at' => $c->recorded_at,
                'why' => $c->why,
                'counts' => $c->counts,
                'decided_by' => $c->decider?->name,
                'reason' => $c->reason,
            ])
            ->all());
    }

    /** @param  array<string, mixed>  $value */
    private static function inWords(Subject $subject, string $key, array $value, Words $words): string
    {
        $step = $subject->procedure()->step($key);
        try {
            return $step === null ? '' : implode(', ', $words->of($step, $step->normalise($value)));
        } catch (Refused) {
            return '';
        }
    }
}
