<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Findings;
use Diastoma\Core\Round\LengthReading;
use Diastoma\Core\Units\Quantity;

/** Whether the guide fins of a positive-stop body stand off evenly, and its centring screws clear of the sleeve. */
#[Calculates(
    'band-gap-fit',
    'Do the fins stand off evenly, and the screws clear?',
    Family::Mechanical,
    ['spread_m', 'reasons', 'notes', 'verdict'],
    'Limits of the maker; the clearance of the screws is common practice',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['too-few-readings', 'fins-uneven', 'screw-close', 'no-limit:*'], 'notes' => ['no-fact:*']],
)]
final class BandGapFit
{
    private const LEAST_READINGS = 4;

    /**
     * @param  list<float|int>|null  $fins  m
     * @param  list<LengthReading>|null  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Numbers('fins_m', whole: false)] ?array $fins = null,
        #[Measure('fin_spread_max_m', Quantity::Length, min: 0)] ?float $most = null,
        #[Measure('screw_back_m', Quantity::Length, min: 0)] ?float $back = null,
        #[Measure('screw_back_min_m', Quantity::Length, min: 0)] ?float $backLeast = null,
        #[Readings('readings', LengthReading::class, 'theta_deg', 'value', about: 'in place of fins_m')] ?array $readings = null,
    ): array {
        $fins = Gaps::read($fins, $readings, 'fins_m');
        $spread = Gaps::spread($fins, 'fins_m');
        $found = new Findings;
        if (\count($fins) < self::LEAST_READINGS) {
            $found->open('too-few-readings');
        }
        $found->atMost($spread, $most, 'fin_spread_max_m', 'fins-uneven');
        if ($back === null && $backLeast === null) {
            $found->note('no-fact:screw_back_m');
        } elseif ($back === null) {
            $found->open('no-fact:screw_back_m');
        } else {
            $found->atLeast($back, $backLeast, 'screw_back_min_m', 'screw-close');
        }

        return ['spread_m' => $spread] + $found->toArray();
    }
}
