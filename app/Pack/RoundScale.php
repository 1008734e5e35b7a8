<?php

namespace App\Pack;

/** Round figures along an axis: steps of 1, 2 or 5 times a power of ten, or of the minutes of a clock. */
final readonly class RoundScale
{
    private const DECIMAL = [1, 2, 5, 10];

    /** min; what a clock is divided into */
    private const CLOCK = [1, 2, 5, 10, 15, 20, 30, 60, 120, 180, 240, 360, 720, 1440];

    /** @param  float  $step  between two figures of the axis */
    private function __construct(public float $low, public float $high, public float $step)
    {
    }

    /** Holds all from low to high in at most so many steps, and ends on round figures itself. */
    public static function over(float $low, float $high, int $steps = 6): self
    {
        $rough = max(1e-9, $high - $low) / $steps;
        $power = 10 ** floor(log10($rough));
        foreach (self::DECIMAL as $times) {
            $step = $times * $power;
            $from = floor($low / $step + 1e-9) * $step;
            $to = ceil($high / $step - 1e-9) * $step;
            if ($step >= $rough * (1 - 1e-9) && ($to - $from) / $step <= $steps + 1e-9) {
                break;
            }
        }

        return new self($from, max($to, $from + $step), $step);
    }

    /** Minutes from low to high, which stay where they are; the figures between are those of a clock. */
    public static function ofMinutes(float $low, float $high, int $steps = 8): self
    {
        foreach (self::CLOCK as $step) {
            if (($high - $low) / $step <= $steps) {
                return new self($low, $high, $step);
            }
        }

        return new self($low, $high, ceil(($high - $low) / $steps / 1440) * 1440);
    }

    /** The largest round figure that is not more. */
    public static function within(float $most): float
    {
        $power = 10 ** floor(log10($most));

        return $power * match (true) {
            $most >= 5 * $power => 5,
            $most >= 2 * $power => 2,
            default => 1,
        };
    }

    /** @return list<float> */
    public function ticks(): array
    {
        $ticks = [];
        for ($k = (int) ceil($this->low / $this->step - 1e-9); $k * $this->step <= $this->high + 1e-9; $k++) {
            $ticks[] = $k * $this->step;
        }

        return $ticks;
    }

    public function decimals(): int
    {
        return max(0, (int) -floor(log10($this->step) + 1e-9));
    }

    public function text(float $value): string
    {
        return number_format($value, $this->decimals(), '.', '');
    }
}
