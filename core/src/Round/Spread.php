<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/**
 * Do the readings stand round the whole pipe? Bunched on one side they can prove bad, never good: nobody looked at the
 * other side, and what the fit says there is invented.
 */
final readonly class Spread
{
    /** No empty arc above this where a limit holds all round (feelers, gaps), and where a plane is fitted. */
    public const ALL_ROUND_DEG = 135.0;

    public const PLANE_DEG = 180.0;

    /** How many times worse than by evenly spread readings the fit may be known (common practice). */
    public const MOST_INFLATION = 2.0;

    private function __construct(public float $emptyArc, public ?float $inflation)
    {
    }

    /** @param  list<float>  $degrees  from the top, any turn */
    public static function of(array $degrees, int $harmonic = 1): self
    {
        $turned = array_map(fn (float $d) => fmod(fmod($d, 360) + 360, 360), $degrees);
        $fit = HarmonicFit::of(array_map(deg2rad(...), $turned), array_fill(0, \count($turned), 0.0), [$harmonic]);

        return new self(RoundCoverage::largestGap($turned), $fit?->inflation($harmonic));
    }

    public function isBunched(float $mostEmptyArc, float $mostInflation = self::MOST_INFLATION): bool
    {
        return $this->emptyArc > $mostEmptyArc + 1e-9 || $this->inflation === null || $this->inflation > $mostInflation * (1 + 1e-9);
    }
}
