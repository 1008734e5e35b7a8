<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Phases;

use Diastoma\Core\Round\Median;

/** A log in short blocks: the median of each, and how fast it moves round it. Times in s, pressures in kPa. */
final readonly class Blocks
{
    private const LENGTH_S = 10.0;

    /** Of what a slope is taken, half on each side. */
    private const WINDOW_S = 60.0;

    /**
     * @param  list<float>  $starts  of each block
     * @param  list<float>  $pressures
     */
    private function __construct(public array $starts, public array $pressures, public float $end, public float $length)
    {
    }

    /** @param  non-empty-list<list<float>>  $series  [s, kPa] */
    public static function of(array $series): self
    {
        $steps = [];
        for ($i = 1, $n = \count($series); $i < $n; $i++) {
            $steps[] = $series[$i][0] - $series[$i - 1][0];
        }
        $length = max(self::LENGTH_S, $steps === [] ? 0.0 : Median::of($steps));
        $starts = $pressures = $block = [];
        $first = $series[0][0];
        $at = 0;
        foreach ($series as $row) {
            $index = (int) floor(($row[0] - $first) / $length + 1e-9);
            if ($index !== $at && $block !== []) {
                [$starts[], $pressures[]] = [$first + $at * $length, Median::of($block)];
                $block = [];
            }
            $at = $index;
            $block[] = $row[1];
        }
        [$starts[], $pressures[]] = [$first + $at * $length, Median::of($block)];

        return new self($starts, $pressures, max($series[\count($series) - 1][0], $first), $length);
    }

    public function count(): int
    {
        return \count($this->starts);
    }

    /** Where the block ends and the next one begins. */
    public function endOf(int $i): float
    {
        return $this->starts[$i + 1] ?? $this->end;
    }

    /** @return list<float> kPa/min round each block */
    public function slopes(): array
    {
        $half = max(1, (int) round(self::WINDOW_S / 2 / $this->length));
        $slopes = [];
        for ($i = 0, $n = $this->count(); $i < $n; $i++) {
            [$from, $to] = [max(0, $i - $half), min($n - 1, $i + $half)];
            $time = $this->starts[$to] - $this->starts[$from];
            $slopes[] = $time > 0 ? 60 * ($this->pressures[$to] - $this->pressures[$from]) / $time : 0.0;
        }

        return $slopes;
    }
}
