<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Once;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/** `trace`: a series that a device records; it comes in parts while it grows. */
final readonly class Trace implements Kind
{
    /** Of a trace: a stand-in of its device played it. */
    public const STAND_IN = 'stand-in';

    /** Where a trace may come from. */
    private const SOURCES = [self::STAND_IN, 'file', 'device', 'by-hand'];

    private const MOST_SAMPLES = 100000;

    /**
     * @param  list<string>  $columns  of a sample, names with unit; the first one rises
     * @param  int  $optional  how many of the last ones may be missing
     * @param  Once|null  $once  it is recorded only once
     */
    public function __construct(private array $columns, private int $optional, private ?Once $once)
    {
    }

    public static function name(): string
    {
        return 'trace';
    }

    public static function read(array $step, Reader $reader): Kind
    {
        $columns = $step['columns'] ?? [];
        $optional = $step['columns_optional'] ?? 0;
        if (\count($columns) - $optional < 2) {
            $reader->below('columns')->fault('a trace needs at least two columns that are never missing');
        }

        return new self(array_values($columns), $optional, ($step['once'] ?? false) ? new Once(
            isset($step['once_unless']) ? $reader->below('once_unless')->conditions($step['once_unless']) : null,
            $reader->below('once_permitted')->sentence($step['once_permitted'] ?? 'Done twice, by permit.'),
            $reader->below('once_text')->sentence($step['once_text'] ?? 'This step was done twice.'),
            $reader->below('once_do')->sentence($step['once_do'] ?? 'Cut the joint out.'),
        ) : null);
    }

    public static function keys(): array
    {
        return [
            'trace',
            'part',
            'samples',
            'final',
            'started_at',
            'ended_at',
            'source',
            'file',
            'first_at',
            'last_at',
            'cold_r_ohm',
            'supply_v',
            'marks',
            'read_log',
            'played',
        ];
    }

    public function normalise(Step $step, array $value): array
    {
        $columns = $this->columns;
        $most = \count($columns);
        $least = $most - $this->optional;
        $samples = $value['samples'] ?? null;
        if (! \is_string($value['trace'] ?? null) || preg_match('/^[0-9a-f-]{36}$/', $value['trace']) !== 1) {
            throw Refused::field('trace', 'trace must be the id of the trace that these samples belong to.');
        }
        if (! \is_int($value['part'] ?? null) || $value['part'] < 0 || $value['part'] > 10000) {
            throw Refused::field('part', 'part must be the number of this piece of the trace, 0 to 10000.');
        }
        if (! \is_array($samples) || ! array_is_list($samples) || \count($samples) > self::MOST_SAMPLES) {
            throw Refused::field('samples', 'samples must be a list of at most '.self::MOST_SAMPLES.' rows ['.implode(', ', $columns).'].');
        }
        $before = -INF;
        foreach ($samples as $i => $row) {
            if (! \is_array($row) || ! array_is_list($row) || \count($row) < $least || \count($row) > $most) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': wanted is ['.implode(', ', $columns).'].');
            }
            foreach ($row as $j => $cell) {
                if (! \is_int($cell) && ! \is_float($cell) || ! is_finite((float) $cell)) {
                    throw Refused::field('samples', 'samples, row '.($i + 1).": {$columns[$j]} is no number.");
                }
            }
            if ($row[0] <= $before) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': the time must rise from row to row.');
            }
            $before = $row[0];
        }
        foreach (array_diff(array_keys($value), self::keys()) as $unknown) {
            throw Refused::field((string) $unknown, "{$unknown} does not belong to a trace.");
        }
        if (isset($value['source']) && ! \in_array($value['source'], self::SOURCES, true)) {
            // A misspelt stand-in would pass for a device.
            throw Refused::field('source', 'source must be one of '.implode(', ', self::SOURCES).'.');
        }
        foreach (['started_at', 'ended_at', 'first_at', 'last_at'] as $time) {
            if (isset($value[$time])) {
                Instant::parse($value[$time], $time, $time);
            }
        }

        return $value;
    }

    /**
     * What a device recorded while it was done stays; a file that was loaded may have been the wrong one.
     *
     * @param  array<string, mixed>  $value
     */
    public static function mayBeReplaced(array $value): bool
    {
        return ($value['source'] ?? null) === 'file';
    }

    /** Each trace put together from its parts, in the order in which they began to come. */
    public function whole(array $facts): array
    {
        $parts = [];
        foreach ($facts as $fact) {
            $parts[Given::text($fact->value, 'trace')][] = $fact;
        }

        return array_map(self::together(...), array_values($parts));
    }

    public function refusesMore(array $standing, array $value): ?string
    {
        $same = array_filter($standing, fn (array $part) => $part['trace'] === $value['trace'] && $part['part'] === $value['part']);

        return $same === [] ? null : 'has this part of the trace already';
    }

    public function words(Step $step, array $value, Words $words): array
    {
        /** @var list<list<float>> $samples */
        $samples = $value['samples'] ?? [];
        $said = [\count($samples).' readings'];
        if (\count($samples) > 1) {
            $said[0] .= ' over '.$words->figure($this->columns[0], $samples[\count($samples) - 1][0] - $samples[0][0]);
        }
        $first = $value['first_at'] ?? $value['started_at'] ?? null;
        if (\is_string($first)) {
            $said[] = 'from '.$words->moment($first);
        }

        return [
            ...$said,
            ...match ($value['source'] ?? null) {
                self::STAND_IN => ['played by the stand-in of the device'],
                'file' => ['out of the file '.(\is_string($value['file'] ?? null) ? $value['file'] : 'without a name')],
                default => [],
            },
        ];
    }

    public function comesInParts(): bool
    {
        return true;
    }

    public function isFinished(Step $step, Fact $fact, Known $known): bool
    {
        return self::isWhole($fact);
    }

    private static function isWhole(Fact $fact): bool
    {
        return (bool) ($fact->value['final'] ?? false);
    }

    public function mayBeRepeated(Step $step, Known $known): bool
    {
        return $this->once?->isPermitted($known) === true && \count($known->facts->attempts($step->key)) === 1;
    }

    public function entry(Known $known): ?array
    {
        return null;
    }

    public function says(Step $step, Fact $fact, Known $known): array
    {
        return array_values(
            array_filter([
                self::isWhole($fact)
                    ? null
                    : Reason::plain(
                        Verdict::Open,
                        'The trace is not complete.',
                        'Wait until the last part has come, or load the file from the device.',
                    ),
                self::played($fact, $known),
                $this->once?->says(\count($known->facts->attempts($step->key)), $known),
            ]),
        );
    }

    /** What a stand-in played shows how it goes, and proves nothing of work that is real. */
    private static function played(Fact $fact, Known $known): ?Reason
    {
        return ($fact->value['source'] ?? null) !== self::STAND_IN || ($known->line['practice'] ?? null) === true
            ? null
            : Reason::plain(
                Verdict::Open,
                'Played by the stand-in of the device: it proves nothing of this work.',
                'Load the file of the real device. Only a practice project is signed on what stand-ins play.',
            );
    }

    /** @param  non-empty-list<Fact>  $parts */
    private static function together(array $parts): Fact
    {
        usort($parts, fn (Fact $a, Fact $b) => $a->value['part'] <=> $b->value['part']);
        $value = [];
        $samples = [];
        foreach ($parts as $part) {
            /** @var list<list<float>> $rows */
            $rows = $part->value['samples'];
            foreach ($rows as $row) {
                if ($samples === [] || $row[0] > $samples[\count($samples) - 1][0]) {
                    $samples[] = $row;
                }
            }
            $value = [...$value, ...$part->value];
        }
        $last = $parts[\count($parts) - 1];
        $numbers = array_map(fn (Fact $p) => $p->value['part'], $parts);
        $value['samples'] = $samples;
        $value['final'] = (bool) ($last->value['final'] ?? false) && $numbers === range(0, \count($parts) - 1);
        $value['parts'] = \count($parts);
        // What a stand-in began is not made real by the file that ends it.
        if (\in_array(self::STAND_IN, array_map(fn (Fact $p) => $p->value['source'] ?? null, $parts), true)) {
            $value['source'] = self::STAND_IN;
        }

        return new Fact($last->id, $last->step, $value, $parts[0]->at, $last->by, $last->role);
    }
}
