<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\PressureTest\Segment;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Water in a gravity sewer: what may be added in half an hour, for each square metre that is wet. */
#[Calculates(
    'en1610-water',
    'How much water may the sewer take, by EN 1610?',
    Family::PressureTest,
    ['area_m2', 'allow_l', 'verdict', 'outcome', 'why'],
    'EN 1610:1997, 13.3',
    verdicts: ['good', 'bad'],
    codes: ['outcome' => ['pass', 'fail'], 'why' => ['visible_leak']],
)]
final class En1610Water
{
    /** L/m² in 30 min (EN 1610:1997, 13.3.4) */
    private const ALLOWED = ['pipes' => 0.15, 'pipes-and-manholes' => 0.20, 'manholes' => 0.40];

    /**
     * @param  list<Segment>|null  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Choice('scope', ['pipes', 'pipes-and-manholes', 'manholes'])] string $scope,
        #[Measure('p_soffit_kpa', Quantity::Pressure, min: 10, max: 50, about: 'at the top of the pipe')] float $pressure,
        #[Items('segments', Segment::class, atLeast: 0)] ?array $segments = null,
        #[Number('wetted_area_m2', min: 0, about: 'of manholes and chambers')] float $further = 0.0,
        #[Measure('added_l', Quantity::Volume, min: 0)] ?float $added = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $area = $further + array_sum(array_map(fn (Segment $pipe) => M_PI * $pipe->bore * $pipe->length, $segments ?? []));
        if ($area <= 0) {
            throw Refused::field('segments', 'segments or wetted_area_m2 is wanted: what is wet?');
        }
        $allowed = self::ALLOWED[$scope] * $area;
        $outcome = $added === null ? null : (Compare::atMost(Si::litres($added), $allowed) ? Outcome::Pass : Outcome::Fail);

        return ['area_m2' => $area, 'allow_l' => $allowed, ...Outcome::answer($outcome, $visibleLeak)];
    }
}
