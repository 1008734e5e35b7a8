<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Mechanical\Limits;
use Diastoma\Core\Units\Quantity;

/** Whether a torque wrench is meant for this torque: within its scale, not in the lowest part of it, and fine enough. */
#[Calculates(
    'wrench-fit',
    'Is this wrench fit for the torque?',
    Family::Mechanical,
    ['used_from_nm', 'used_to_nm', 'reasons', 'notes', 'verdict'],
    'Used within 20 to 100 % of the scale: common practice; class of the certificate, ISO 6789',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['below-range', 'above-range', 'wrench-too-coarse', 'no-fact:*', 'no-limit:*']],
)]
final class WrenchFit
{
    private const LEAST_SHARE = 0.2;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('target_nm', Quantity::Torque, above: 0)] float $target,
        #[Measure('range_max_nm', Quantity::Torque, above: 0)] ?float $most = null,
        #[Measure('range_min_nm', Quantity::Torque, min: 0)] ?float $least = null,
        #[Number('class_tol_frac', min: 0, max: 1)] ?float $class = null,
        #[Number('tol_frac', min: 0, max: 1)] ?float $tolerance = null,
        #[Number('least_share', min: 0, max: 1, about: 'of the scale')] float $share = self::LEAST_SHARE,
    ): array {
        Limits::mustRise($least, $most, 'range_max_nm');
        $from = $most === null ? null : max($least ?? 0.0, $share * $most);
        $found = new Findings;
        if ($from === null) {
            $found->open('no-fact:range_max_nm');
        } else {
            Compare::atLeast($target, $from) || $found->bad('below-range');
            Compare::atMost($target, (float) $most) || $found->bad('above-range');
        }
        if ($class === null) {
            $found->open('no-fact:class_tol_frac');
        } elseif ($tolerance === null) {
            $found->open('no-limit:tol_frac');
        } elseif (! Compare::atMost($class, $tolerance)) {
            $found->open('wrench-too-coarse');
        }

        return ['used_from_nm' => $from, 'used_to_nm' => $most] + $found->toArray();
    }
}
