<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;

/** `round`: one value at each of several clock positions. */
final readonly class Round implements Kind
{
    use OneFact;

    private const MOST_READINGS = 200;

    /** @param  list<string>  $positions  that are asked for, in order */
    public function __construct(public array $positions)
    {
    }

    public static function name(): string
    {
        return 'round';
    }

    public static function read(array $step, Reader $reader): Kind
    {
        $positions = $step['positions'] ?? [];
        if (\count($positions) < 2 || \count($step['fields'] ?? []) !== 1) {
            $reader->below('positions')->fault('a round needs at least two clock positions and exactly one field');
        }
        foreach ($positions as $i => $position) {
            try {
                Clock::degrees($position);
            } catch (Refused) {
                $reader->below("positions[{$i}]")->fault("\"{$position}\" is no clock position");
            }
        }

        return new self(array_values($positions));
    }

    public static function keys(): array
    {
        return ['readings', 'remark', 'view', 'photos'];
    }

    public function normalise(Step $step, array $value): array
    {
        $readings = $value['readings'] ?? null;
        if (! \is_array($readings) || ! array_is_list($readings) || $readings === [] || \count($readings) > self::MOST_READINGS) {
            throw Refused::field('readings', 'readings must be a list of 1 to 200 clock positions with their values.');
        }
        $field = $step->fields[0];
        $rows = [];
        $faults = [];
        foreach ($readings as $i => $reading) {
            try {
                if (! \is_array($reading) || ! \is_string($reading['clock'] ?? null)) {
                    throw Refused::field('readings', 'reading '.($i + 1).': the clock position is missing.');
                }
                $clock = Clock::text(Clock::degrees($reading['clock'], 'readings'));
                unset($reading['clock']);
                $row = Fields::normalise([$field], $reading, []);
                $rows[] = ['clock' => $clock, ...$row];
            } catch (Refused $refused) {
                $faults[] = Refused::field('readings', 'at '.($clock ?? $i + 1).': '.$refused->getMessage());
            }
        }
        if ($faults !== []) {
            throw Refused::together($faults);
        }

        return ['readings' => $rows] + array_intersect_key(Fields::photos($value), ['remark' => 1, 'view' => 1, 'photos' => 1]);
    }

    public function words(Step $step, array $value, Words $words): array
    {
        $field = $step->fields[0];
        $read = [];
        foreach (\is_array($value['readings'] ?? null) ? $value['readings'] : [] as $reading) {
            if (\is_array($reading) && \is_string($reading['clock'] ?? null)) {
                $read[] = $reading['clock'].' '.$words->shown($field, $reading[$field->key] ?? null);
            }
        }

        return $read === [] ? [] : [$field->label.': '.implode(', ', $read)];
    }
}
