<?php

declare(strict_types=1);

namespace Diastoma\Core\Lifting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Load in one leg of a sling. Of three or four legs a stiff load hangs on two. Water, soil or ice inside add to the mass; what
 * the machine may lift at that reach its own chart says.
 */
#[Calculates(
    'sling-load',
    'What does one leg of the sling carry?',
    Family::Gasketed,
    ['factor', 'leg_n', 'leg_kg', 'use_pct', 'pass', 'verdict'],
    'Statics; two of several legs: common practice',
    verdicts: ['good', 'bad', 'open'],
)]
final class SlingLoad
{
    /** @return array{factor: float, leg_n: float, leg_kg: float, use_pct: float|null, pass: bool|null, verdict: string} */
    public function __invoke(
        #[Measure('mass_kg', Quantity::Mass, above: 0)] float $mass,
        #[Number('legs', min: 1, max: 4, whole: true)] float $legs,
        #[Number('angle_deg', min: 0, max: 90, about: 'of a leg, from the level')] float $angle,
        #[Number('loaded_legs', min: 1, max: 4, whole: true)] ?float $loaded = null,
        #[Measure('wll_n', Quantity::Force, above: 0, about: 'working load limit of one leg, straight')] ?float $limit = null,
        #[Number('hitch_factor', above: 0, max: 2, about: 'choker about 0.8')] float $hitch = 1.0,
        #[Number('min_angle_deg', above: 0, max: 90)] float $least = 30.0,
        #[Measure('wll_kg', Quantity::Mass, above: 0, about: 'the same as the tag of the sling says it')] ?float $tag = null,
    ): array {
        if ($limit !== null && $tag !== null) {
            throw Refused::field('wll_n|wll_kg', 'wll_n and wll_kg say the same: give one of them.');
        }
        $limit ??= $tag === null ? null : $tag * Si::GRAVITY;
        if ($loaded !== null && $loaded > $legs) {
            throw Refused::field('loaded_legs', "loaded_legs is {$loaded}; the sling has {$legs}.");
        }
        if (! Compare::atLeast($angle, $least)) {
            throw Refused::field(
                'angle_deg',
                "angle_deg is {$angle}°; below {$least}° from the level a sling is too flat: take a longer one.",
            );
        }
        $factor = 1 / sin(deg2rad($angle));
        $leg = ($mass * Si::GRAVITY * $factor) / ($loaded ?? min($legs, 2.0));
        $pass = $limit === null ? null : Compare::atMost($leg, $limit * $hitch);

        return [
            'factor' => $factor,
            'leg_n' => $leg,
            'leg_kg' => $leg / Si::GRAVITY,
            'use_pct' => $limit === null ? null : (100 * $leg) / ($limit * $hitch),
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
