<?php

namespace App\Pack;

use App\Models\Joint;
use App\Models\Line;
use App\Support\Say;
use Diastoma\Core\Procedure\Stage;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/** The joints of a section on the sheets of its test pack, each in a row: what was measured, and who accepted it. */
final readonly class JointRows
{
    /** Kinds of step at which something is measured. */
    private const MEASURING = ['number', 'round', 'bolts', 'trace'];

    private \DateTimeZone $zone;

    private Words $words;

    public function __construct(private Line $line, private UnitSystem $units)
    {
        $this->zone = new \DateTimeZone($line->project->time_zone);
        $this->words = new Words($units, $this->zone);
    }

    /**
     * @param  iterable<Joint>  $joints
     * @return list<array<string, string>>
     */
    public function of(iterable $joints): array
    {
        $rows = [];
        foreach ($joints as $joint) {
            $joint->setRelation('ofLine', $this->line);
            $rows[] = [
                'number' => $joint->number,
                'chainage' => Display::value('x_m', $joint->chainage_m, 1, $this->units),
                'pipes' => implode(' – ', array_filter([$joint->pipes['a'] ?? '', $joint->pipes['b'] ?? ''])),
                'figures' => $this->figuresOf($joint),
                'verdict' => $joint->verdict,
                'state' => $joint->state,
                'signed' => $joint->sealed_at === null
                    ? Say::text('pack.notSigned')
                    : ($joint->signed_by ?? '').', '.$this->words->moment($joint->sealed_at->toIso8601String()),
            ];
        }

        return $rows;
    }

    /** What was measured at it, step by step; of two pipe ends the first stands before the second. */
    private function figuresOf(Joint $joint): string
    {
        $sides = $joint->context()['sides'] ?? [];
        $read = [];
        foreach ($joint->judgement()->steps as $state) {
            $summary = $state->summary?->in($this->units, $this->zone) ?? '';
            $isMeasured = \in_array($state->step->kind->name(), self::MEASURING, true) && $state->step->stage !== Stage::Look;
            if ($isMeasured && $summary !== '') {
                $read[$this->bothSides($state->title, $sides)][] = $summary;
            }
        }

        return implode('; ', array_map(fn (string $title, array $ends) => "{$title}: ".implode(' / ', $ends), array_keys($read), $read));
    }

    /**
     * "Out of round" of "Out of round, pipe 7": what was measured at both ends stands together.
     *
     * @param  array<string, string>  $sides  as they are called
     */
    private function bothSides(string $title, array $sides): string
    {
        return str_replace(array_map(fn (string $name) => ", {$name}", array_values($sides)), '', $title);
    }
}
