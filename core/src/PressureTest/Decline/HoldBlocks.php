<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest\Decline;

use Diastoma\Core\PressureTest\HoldSlope;
use Diastoma\Core\Round\Median;

/** A hold in at most 240 blocks: what of it is course and what is noise. Times in s from the first sample, pressures in kPa. */
final readonly class HoldBlocks
{
    private const ENDS_SHARE = 0.05;

    private const ENDS_LEAST = 3;

    private const SMOOTH = 5;

    /**
     * @param  list<float>  $times
     * @param  list<float>  $pressures  median of each block
     * @param  list<float>|null  $temperatures  °C; null where they were not logged throughout
     */
    public function __construct(public array $times, public array $pressures, public ?array $temperatures, public float $span)
    {
    }

    /** @param  list<list<float>>  $series  [s, kPa] or [s, kPa, °C], at least two */
    public static function of(array $series): self
    {
        $first = $series[0][0];
        $blocks = HoldSlope::blocks(array_column($series, 0), array_column($series, 1), Median::of(...));
        $logged = array_filter($series, fn (array $row) => \count($row) > 2);
        $temperatures = null;
        if (\count($logged) === \count($series)) {
            $warmth = HoldSlope::blocks(array_column($series, 0), array_column($series, 2), Median::of(...));
            $temperatures = array_column($warmth, 1);
        }

        return new self(
            array_map(fn (array $block) => $block[0] - $first, $blocks),
            array_column($blocks, 1),
            $temperatures,
            $series[\count($series) - 1][0] - $first,
        );
    }

    /** @param  list<float>  $pressures */
    public function with(array $pressures): self
    {
        return new self($this->times, $pressures, $this->temperatures, $this->span);
    }

    public function count(): int
    {
        return \count($this->times);
    }

    /**
     * The noise of a block, from second differences: a course, straight or gently bent, has no part in it.
     *
     * @param  float  $resolution  kPa
     */
    public function noise(float $resolution): float
    {
        $second = [];
        for ($i = 1, $n = $this->count() - 1; $i < $n; $i++) {
            $second[] = $this->pressures[$i - 1] - 2 * $this->pressures[$i] + $this->pressures[$i + 1];
        }
        $middle = Median::of($second);
        $mad = Median::of(array_map(fn (float $d) => abs($d - $middle), $second));

        return max(1.4826 * $mad / sqrt(6), $resolution / sqrt(12));
    }

    /** How far the smoothed course moves at all. */
    public function range(): float
    {
        $smooth = [];
        for ($i = self::SMOOTH; $i <= $this->count(); $i++) {
            $smooth[] = array_sum(\array_slice($this->pressures, $i - self::SMOOTH, self::SMOOTH)) / self::SMOOTH;
        }

        return max([-INF, ...$smooth]) - min([INF, ...$smooth]);
    }

    /** First less last, kPa: above 0 it fell. */
    public function fall(): float
    {
        return -self::change($this->pressures);
    }

    /**
     * The last few less the first few.
     *
     * @param  list<float>  $values
     */
    public static function change(array $values): float
    {
        $n = max(self::ENDS_LEAST, (int) round(self::ENDS_SHARE * \count($values)));

        return Median::of(\array_slice($values, -$n)) - Median::of(\array_slice($values, 0, $n));
    }

    /** Sum of the squared distances from the mean. */
    public function variance(): float
    {
        $mean = array_sum($this->pressures) / $this->count();

        return array_sum(array_map(fn (float $p) => ($p - $mean) ** 2, $this->pressures));
    }
}
