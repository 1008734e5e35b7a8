<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Water that a tight section without air gives for a drop of pressure, times the factor of the procedure: air out, in the
 * pressure drop test; tight, in the main test by water loss.
 */
#[Calculates(
    'elastic-volume-limit',
    'Is the air out, or is it tight?',
    Family::PressureTest,
    ['dv_max_l', 'verdict', 'outcome', 'why'],
    'EN 805:2000, 11.3.3.4.2; factor 1.5 before the main test from memory (Annex A.26)',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'repeat'], 'why' => ['visible_leak']],
)]
final class ElasticVolumeLimit
{
    /**
     * @param  list<Segment>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('segments', Segment::class)] array $segments,
        #[Number('factor', above: 0, max: 10)] float $factor,
        #[Measure('dp_kpa', Quantity::Pressure, above: 0, about: 'the drop that was made, or the loss that is allowed')] float $drop,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
        #[Measure('measured_l', Quantity::Volume, min: 0)] ?float $measured = null,
        #[Choice('on_exceed', ['repeat', 'fail'])] ?string $onExceed = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $most = $factor * Section::of($segments, $waterTemperature, $bulk)->compliance() * $drop;
        if ($measured !== null && $onExceed === null) {
            throw Refused::field('on_exceed', 'on_exceed is missing: is more water than that a test to repeat, or a failed one?');
        }
        $outcome = match (true) {
            $measured === null => null,
            Compare::atMost($measured, $most) => Outcome::Pass,
            default => Outcome::from((string) $onExceed),
        };

        return ['dv_max_l' => Si::litres($most), ...Outcome::answer($outcome, $visibleLeak)];
    }
}
