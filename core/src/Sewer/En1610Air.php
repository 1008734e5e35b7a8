<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Air in a gravity sewer by the European methods: how long it stands, and how far it may fall. */
#[Calculates(
    'en1610-air',
    'How long must the air stand, by EN 1610?',
    Family::PressureTest,
    ['kp', 'time_min', 'time_rounded_min', 'p0_kpa', 'dp_kpa', 'verdict', 'outcome', 'why'],
    'EN 1610:1997, 13.2, table 3 and its formula; the 2015 edition is to be checked',
    verdicts: ['good', 'bad', 'open'],
    codes: ['outcome' => ['pass', 'fail', 'not-finished'], 'why' => ['visible_leak']],
)]
final class En1610Air
{
    /** @var array<string, array{float, float}> method => [pressure, drop], kPa (EN 1610:1997, table 3) */
    private const METHODS = ['LA' => [1.0, 0.25], 'LB' => [5.0, 1.0], 'LC' => [10.0, 1.5], 'LD' => [20.0, 1.5]];

    /** surface => Kp by DN in mm, 1/min (EN 1610:1997, 13.2) */
    private const KP = ['dry-concrete' => 16.0, 'wet-or-other' => 12.0];

    private const MOST_KP = 0.058;

    /** min: up to here to the nearest half, above to the nearest whole */
    private const HALVES_UP_TO = 5.0;

    /** @return array<string, mixed> */
    public function __invoke(
        #[Choice('method', ['LA', 'LB', 'LC', 'LD'])] string $method,
        #[Measure('dn_mm', Quantity::Length, above: 0, about: 'inside diameter')] float $dn,
        #[Choice('surface', ['dry-concrete', 'wet-or-other'])] string $surface,
        #[Measure('measured_drop_kpa', Quantity::Pressure, min: 0, about: 'over that time')] ?float $measured = null,
        #[Measure('elapsed_min', Quantity::Time, min: 0, about: 'left out: all of that time')] ?float $elapsed = null,
        #[Choice('limit_op', ['<', '<='])] string $operator = '<',
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        [$start, $drop] = self::row($method);
        $kp = min(self::MOST_KP, self::KP[$surface] / Si::mm($dn));
        $time = log($start / ($start - $drop)) / $kp;
        $rounded = $time <= self::HALVES_UP_TO ? round(2 * $time) / 2 : round($time);
        $outcome = match (true) {
            $measured === null => null,
            ! Compare::atMost(Si::kpa($measured), $drop, strictly: $operator === '<') => Outcome::Fail,
            $elapsed !== null && ! Compare::atLeast($elapsed, 60 * $rounded) => Outcome::NotFinished,
            default => Outcome::Pass,
        };

        return [
            'kp' => $kp, 'time_min' => $time, 'time_rounded_min' => $rounded,
            'p0_kpa' => $start, 'dp_kpa' => $drop,
            ...Outcome::answer($outcome, $visibleLeak),
        ];
    }

    /** @return array{float, float} kPa */
    private static function row(string $method): array
    {
        return self::METHODS[$method];
    }
}
