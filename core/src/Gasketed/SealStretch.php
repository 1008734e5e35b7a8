<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

/** A part of the round, from a first reading clockwise to a last one. */
final readonly class SealStretch
{
    private function __construct(public float $from, public float $degrees)
    {
    }

    /**
     * The longest part of the round on which every reading is bad, and beyond its ends half of the way to the next good one.
     *
     * @param  list<float>  $degrees  from the top, rising
     * @param  list<bool>  $bad
     */
    public static function longest(array $degrees, array $bad): ?self
    {
        $n = \count($degrees);
        $longest = null;
        if (! \in_array(false, $bad, true)) {
            return $n === 0 ? null : new self(0.0, 360.0);
        }
        for ($i = 0; $i < $n; $i++) {
            if (! $bad[$i] || $bad[($i + $n - 1) % $n]) {
                continue;
            }
            $last = $i;
            while ($bad[($last + 1) % $n]) {
                $last++;
            }
            $from = $degrees[$i] - self::turn($degrees[($i + $n - 1) % $n], $degrees[$i]) / 2;
            $length = self::turn($degrees[$i], $degrees[$last % $n]) + ($degrees[$i] - $from) +
                self::turn($degrees[$last % $n], $degrees[($last + 1) % $n]) / 2;
            if ($longest === null || $length > $longest->degrees + 1e-9) {
                $longest = new self(fmod($from + 360, 360), $length);
            }
        }

        return $longest;
    }

    public function to(): float
    {
        return fmod($this->from + $this->degrees, 360);
    }

    /** How far it is clockwise from one place to another, degrees. */
    private static function turn(float $from, float $to): float
    {
        return fmod($to - $from + 360, 360);
    }
}
