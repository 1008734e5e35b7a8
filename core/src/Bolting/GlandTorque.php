<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Data;
use Diastoma\Core\Findings;
use Diastoma\Core\Mechanical\Gaps;
use Diastoma\Core\Round\LengthReading;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/** Whether a T-bolt of a gland joint is in its range, and the gland stands even. Judged in exact foot-pounds, not in rounded N·m. */
#[Calculates(
    'gland-torque',
    'Is the gland bolt in its range, and the gland even?',
    Family::Mechanical,
    ['min_nm', 'max_nm', 'middle_nm', 'half_range_frac', 'spread_m', 'reasons', 'notes', 'verdict'],
    'AWWA C600, mechanical-joint bolt torque table',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['low', 'high', 'too-few-readings', 'gland-skew', 'no-fact:*', 'no-limit:*'], 'notes' => ['no-fact:*']],
)]
final class GlandTorque
{
    public const BOLTS = ['5/8', '3/4', '1', '1-1/4'];

    private const LEAST_GAPS = 4;

    /**
     * @param  list<float|int>|null  $gaps  m, gland to bell
     * @param  list<LengthReading>|null  $readings
     * @return array<string, mixed> `middle_nm` and `half_range_frac`: the range as a target and its tolerance
     */
    public function __invoke(
        #[Choice('bolt', self::BOLTS)] string $bolt,
        #[Measure('torque_nm', Quantity::Torque, min: 0)] ?float $torque = null,
        #[Numbers('gland_gaps_m', whole: false)] ?array $gaps = null,
        #[Measure('gland_spread_max_m', Quantity::Length, min: 0)] ?float $spreadMost = null,
        #[Readings('readings', LengthReading::class, 'theta_deg', 'value', about: 'in place of gland_gaps_m')] ?array $readings = null,
    ): array {
        $gaps = $readings === null ? $gaps : Gaps::read($gaps, $readings, 'gland_gaps_m');
        [$least, $most] = self::range($bolt);
        $found = new Findings;
        $torque === null && $found->open('no-fact:torque_nm');
        $found->atLeast($torque, $least, 'min_nm', 'low');
        $found->atMost($torque, $most, 'max_nm', 'high');
        $spread = $gaps === null ? null : Gaps::spread($gaps, 'gland_gaps_m');
        if ($gaps === null) {
            $found->note('no-fact:gland_gaps_m');
        } else {
            \count($gaps) < self::LEAST_GAPS && $found->open('too-few-readings');
            $found->atMost($spread, $spreadMost, 'gland_spread_max_m', 'gland-skew');
        }

        return [
            'min_nm' => $least, 'max_nm' => $most, 'middle_nm' => ($least + $most) / 2,
            'half_range_frac' => ($most - $least) / ($most + $least), 'spread_m' => $spread,
        ] + $found->toArray();
    }

    /** @return array{float, float} N·m */
    public static function range(string $bolt): array
    {
        /** @var array<string, array{ft_lb: array{float, float}}> $table */
        $table = Data::json('mechanical/gland-bolts.json')['bolts'];

        return [$table[$bolt]['ft_lb'][0] * Unit::FOOT_POUND, $table[$bolt]['ft_lb'][1] * Unit::FOOT_POUND];
    }
}
