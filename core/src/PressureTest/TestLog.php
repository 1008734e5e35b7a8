<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;

/** A test's log as rows of [min, kPa, litres pumped in since the start?, °C?], asked at times between its samples. */
final readonly class TestLog
{
    /** @param  list<list<float>>  $rows  time rising */
    public function __construct(private array $rows)
    {
    }

    /**
     * Phase times must rise and lie inside the log.
     *
     * @param  array<string, float>  $marks  name => s
     */
    public function mustRise(array $marks): void
    {
        $first = $this->rows[0][0] * 60;
        $last = $this->rows[\count($this->rows) - 1][0] * 60;
        $before = -INF;
        $beforeName = '';
        foreach ($marks as $name => $seconds) {
            if ($seconds < $first - 1e-6 || $seconds > $last + 1e-6) {
                throw Refused::field(
                    $name,
                    sprintf('%s is minute %g; the log goes from minute %g to %g.', $name, $seconds / 60, $first / 60, $last / 60),
                );
            }
            if ($seconds <= $before) {
                throw Refused::field(
                    $name,
                    sprintf('%s is minute %g; it must come after %s, minute %g.', $name, $seconds / 60, $beforeName, $before / 60),
                );
            }
            [$before, $beforeName] = [$seconds, $name];
        }
    }

    /** kPa at a minute, straight between samples. */
    public function pressure(float $minute): float
    {
        return $this->at($minute, 1) ?? 0.0;
    }

    /** Litres pumped in between two minutes (minus: let out); null when the log has no such column. */
    public function water(float $from, float $to): ?float
    {
        $start = $this->at($from, 2);
        $end = $this->at($to, 2);

        return $start === null || $end === null ? null : $end - $start;
    }

    /** @return non-empty-list<list<float>> samples between two minutes, the ends included */
    public function between(float $from, float $to): array
    {
        $inside = [[$from, $this->pressure($from)]];
        foreach ($this->rows as $row) {
            if ($row[0] > $from + 1e-9 && $row[0] < $to - 1e-9) {
                $inside[] = $row;
            }
        }
        $inside[] = [$to, $this->pressure($to)];

        return $inside;
    }

    /** @return list<list<float>> [s, kPa, °C where every reading has it] between two minutes, as they were read */
    public function series(float $from, float $to): array
    {
        $inside = array_values(array_filter($this->rows, fn (array $row) => $row[0] >= $from - 1e-9 && $row[0] <= $to + 1e-9));
        $isWarm = array_filter($inside, fn (array $row) => ! isset($row[3])) === [];

        return array_map(fn (array $row) => [60 * $row[0], $row[1], ...($isWarm ? [$row[3]] : [])], $inside);
    }

    /** Litres by which water went in or out between two minutes, either way; null when the log has no such column. */
    public function moved(float $from, float $to): ?float
    {
        $water = array_map(fn (array $row) => $row[2] ?? null, $this->between($from, $to));
        $known = array_filter([$this->at($from, 2), ...$water, $this->at($to, 2)], fn (?float $litres) => $litres !== null);

        return $known === [] ? null : max($known) - min($known);
    }

    /**
     * Time-weighted mean pressure, kPa.
     *
     * @param  list<list<float>>  $rows
     */
    public static function average(array $rows): float
    {
        $sum = 0.0;
        for ($i = 1; $i < \count($rows); $i++) {
            $sum += ($rows[$i][0] - $rows[$i - 1][0]) * ($rows[$i][1] + $rows[$i - 1][1]) / 2;
        }
        $span = $rows[\count($rows) - 1][0] - $rows[0][0];

        return $span > 0 ? $sum / $span : $rows[0][1];
    }

    private function at(float $minute, int $column): ?float
    {
        $low = 0;
        $high = \count($this->rows) - 1;
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            $this->rows[$middle][0] <= $minute ? $low = $middle : $high = $middle;
        }
        $a = $this->rows[$low];
        $b = $this->rows[$high];
        if (! isset($a[$column], $b[$column])) {
            return null;
        }
        $share = $b[0] === $a[0] ? 0.0 : max(0.0, min(1.0, ($minute - $a[0]) / ($b[0] - $a[0])));

        return $a[$column] + $share * ($b[$column] - $a[$column]);
    }
}
