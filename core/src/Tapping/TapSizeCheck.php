<?php

declare(strict_types=1);

namespace Diastoma\Core\Tapping;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Findings;
use Diastoma\Core\Mechanical\Limits;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether the main may take this hole, by a saddle or with a thread cut into its wall. */
#[Calculates(
    'tap-size-check',
    'May the main take this hole?',
    Family::Mechanical,
    ['ratio_frac', 'dr', 'reasons', 'notes', 'verdict'],
    "Limits of the user's standard; AWWA C605 and M23 for direct taps, from memory",
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'reasons' => ['ratio-high', 'hole-too-large', 'direct-not-allowed', 'direct-size', 'direct-wall-thin', 'no-fact:*', 'no-limit:*'],
    ],
)]
final class TapSizeCheck
{
    /** Drawn lengthwise and round: a thread cut into it splits it. */
    private const NEVER_DIRECT = 'pvc-o';

    /**
     * @param  list<string>|null  $materials
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('hole_m', Quantity::Length, above: 0)] float $hole,
        #[Measure('od_m', Quantity::Length, above: 0)] float $od,
        #[Measure('wall_m', Quantity::Length, above: 0)] float $wall,
        #[Number('max_ratio_frac', above: 0, max: 1)] ?float $ratioMost = null,
        #[Measure('max_hole_m', Quantity::Length, above: 0)] ?float $holeMost = null,
        #[Choice('method', ['saddle', 'direct'])] string $method = 'saddle',
        #[Text('material')] ?string $material = null,
        #[Numbers('direct_materials', texts: true)] ?array $materials = null,
        #[Measure('direct_od_min_m', Quantity::Length, above: 0)] ?float $odLeast = null,
        #[Measure('direct_od_max_m', Quantity::Length, above: 0)] ?float $odMost = null,
        #[Number('direct_dr_max', above: 0)] ?float $drMost = null,
    ): array {
        Limits::mustRise($odLeast, $odMost, 'direct_od_max_m');
        if ($hole >= $od - 2 * $wall) {
            throw Refused::field('hole_m', "hole_m is {$hole} m, as wide as the bore of the main.");
        }
        $found = new Findings;
        $found->atMost($hole / $od, $ratioMost, 'max_ratio_frac', 'ratio-high');
        $found->atMost($hole, $holeMost, 'max_hole_m', 'hole-too-large');
        if ($method === 'direct') {
            $this->material($found, $material, $materials);
            $found->atLeast($od, $odLeast, 'direct_od_min_m', 'direct-size');
            $found->atMost($od, $odMost, 'direct_od_max_m', 'direct-size');
            $found->atMost($od / $wall, $drMost, 'direct_dr_max', 'direct-wall-thin');
        }

        return ['ratio_frac' => $hole / $od, 'dr' => $od / $wall] + $found->toArray();
    }

    /** @param  list<string>|null  $allowed */
    private function material(Findings $found, ?string $material, ?array $allowed): void
    {
        if ($material === null) {
            $found->open('no-fact:material');
        } elseif ($material === self::NEVER_DIRECT) {
            $found->bad('direct-not-allowed');
        }
        if ($allowed === null) {
            $found->open('no-limit:direct_materials');
        } elseif ($material !== null && ! \in_array($material, $allowed, true)) {
            $found->bad('direct-not-allowed');
        }
    }
}
