<?php

declare(strict_types=1);

namespace Diastoma\Core\Composite;

use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Si;

/** Target, ceiling and stable rate of a staged test: what its plan and its judgement have in common. All pressures in Pa. */
final readonly class StagedPressure
{
    /** The target is this often the rating (common practice). */
    public const FACTOR_MIN = 1.2;

    public const FACTOR_MAX = 1.5;

    private function __construct(public float $max, public string $maxBy, public float $stableRate)
    {
    }

    /**
     * @param  float  $overshootShare  percent of the target
     * @param  float  $stableShare  percent of the target in an hour
     * @param  float  $stableRate  Pa/s
     *
     * @throws Refused for a target above what pipe or maker allow
     */
    public static function of(
        float $rated,
        float $target,
        float $overshoot,
        float $overshootShare,
        ?float $makerMax,
        ?string $document,
        float $stableRate,
        float $stableShare,
    ): self {
        $ofRating = self::FACTOR_MAX * $rated;
        // The maker's paper may lower the cap as it is; it raises it only where it is at hand.
        $isMakers = $makerMax !== null && ($makerMax < $ofRating || trim((string) $document) !== '');
        $cap = $isMakers ? (float) $makerMax : $ofRating;
        if (! Compare::atMost($target, $cap)) {
            throw Refused::field('maker_max', sprintf(
                'The target of %.4g psi lies above what is allowed, %.4g psi by %s.',
                Si::psi($target),
                Si::psi($cap),
                $isMakers ? 'the maker\'s maker_max' : '1.5 times the rating',
            ));
        }
        $byShare = $overshootShare / 100 * $target;
        $wished = $target + min($overshoot, $byShare);
        $maxBy = match (true) {
            ! Compare::atMost($wished, $cap) => $isMakers ? 'maker-max' : 'rating',
            Compare::atMost($overshoot, $byShare) => 'overshoot',
            default => 'overshoot-share',
        };

        return new self(min($wished, $cap), $maxBy, min($stableRate, $stableShare / 100 * $target / 3600));
    }
}
