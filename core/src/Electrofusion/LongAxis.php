<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Compare;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Student;
use Diastoma\Core\Verdict;

/**
 * The oval that a fit of the second harmonic shows: how much, which way, and how sure of both.
 *
 * The jaws of the re-rounding clamp press along the long axis; its split with the screws lies across it. A direction
 * that does not stand out of the noise is none.
 */
final readonly class LongAxis
{
    /**
     * @param  float  $ovality  largest minus smallest diameter, m
     * @param  float  $uncertainty  of the ovality at 95 %, m
     * @param  float|null  $axis  degrees, 0 up to 180; null when no axis is clear
     * @param  float|null  $axisUncertainty  degrees at 95 %
     */
    private function __construct(
        public float $ovality,
        public float $uncertainty,
        public ?float $axis,
        public ?float $axisUncertainty,
    ) {
    }

    /**
     * @param  float  $factor  ovality over amplitude: 2 for a fit of diameters, 4 for one of radii
     * @param  float  $u  standard uncertainty of one reading, m; the scatter about the fit is taken when it is larger
     */
    public static function of(HarmonicFit $fit, float $factor, float $u): self
    {
        [$a, $b] = $fit->pair(2);
        $amplitude = $fit->amplitude(2);
        [$aa, $ab, $bb] = $fit->block(2);
        $s = $fit->s();
        [$sigma, $k] = $s !== null && $s > $u ? [$s, Student::t975($fit->n() - $fit->p())] : [$u, 1.96];
        $round = $amplitude < 1e-12;
        [$c, $n] = $round ? [1.0, 0.0] : [$a / $amplitude, $b / $amplitude];
        $along = $sigma ** 2 * ($c * $c * $aa + 2 * $c * $n * $ab + $n * $n * $bb);
        $across = $sigma ** 2 * ($n * $n * $aa - 2 * $n * $c * $ab + $c * $c * $bb);
        $uncertainty = $factor * $k * sqrt($along);
        $uAxis = $round ? null : 90 / M_PI * $k * sqrt($across) / $amplitude;
        $shown = ! $round && $amplitude > $uncertainty / $factor && $uAxis <= 45;

        return new self($factor * $amplitude, $uncertainty, $shown ? rad2deg($fit->direction(2)) : null, $shown ? $uAxis : null);
    }

    /**
     * Against a limit: over it only counts when the fit is sure of it, inside it is close when it may as well be over.
     *
     * @return array{Verdict, list<string>}
     */
    public function against(float $limit, float $judged): array
    {
        if (! Compare::atMost($this->ovality, $limit)) {
            return $this->uncertainty > $this->ovality - $limit
                ? [Verdict::Open, ['only the fitted shape passes the limit, by less than its uncertainty: read more directions']]
                : [Verdict::Bad, []];
        }

        return $limit - $judged < $this->uncertainty - Compare::slack($limit)
            ? [Verdict::Close, ['inside the limit by less than the uncertainty of the measurement']]
            : [Verdict::Good, []];
    }

    public const HOW_CLEAR = ['clear', 'unclear'];

    /** @return list<string> whether there is a direction in which jaws could press */
    public static function howClear(?self $shape): array
    {
        return [$shape?->jaws() === null ? 'unclear' : 'clear'];
    }

    /** Where the jaws press, "1:40 and 7:40"; null without a clear axis. */
    public function jaws(): ?string
    {
        return self::across($this->axis);
    }

    /** Where the split with the screws lies. */
    public function screws(): ?string
    {
        return self::across($this->axis === null ? null : fmod($this->axis + 90, 180));
    }

    private static function across(?float $degrees): ?string
    {
        return $degrees === null ? null : Clock::text($degrees).' and '.Clock::text($degrees + 180);
    }
}
