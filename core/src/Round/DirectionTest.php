<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

/** Is there a direction at all, or is the amplitude only noise? */
final readonly class DirectionTest
{
    /** χ² quantile, 2 degrees of freedom, 95 %. */
    private const CHI2 = 5.991;

    private function __construct(public bool $shown, public ?float $wald, public ?string $reason)
    {
    }

    /** @param  float  $largest  largest |y| of the readings: amplitudes below 1e-9 of it are nothing */
    public static function of(HarmonicFit $fit, int $k, ?float $sigma, float $largest): self
    {
        if ($fit->amplitude($k) < 1e-9 * $largest || $fit->amplitude($k) === 0.0) {
            return new self(false, null, null);
        }
        if ($sigma !== null) {
            $wald = $fit->wald($k, $sigma);

            return $wald > self::CHI2 ? new self(true, $wald, null) : new self(false, $wald, self::noise($k));
        }
        $s = $fit->s();
        if ($s === null) {
            return new self(true, null, "direction of k={$k} is untested: no reading is left over to judge the noise");
        }
        if ($s < 1e-9 * $largest) {
            return new self(true, null, null);
        }
        $nu = $fit->n() - $fit->p();
        $wald = $fit->wald($k, $s);

        // Twice the F(2, ν) quantile: the χ² limit is far too lax when σ comes from a few residuals.
        return $wald > $nu * (20 ** (2 / $nu) - 1) ? new self(true, $wald, null) : new self(false, $wald, self::noise($k));
    }

    private static function noise(int $k): string
    {
        return "k={$k} does not stand out of the noise: no direction";
    }
}
