<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Polyethylene held at constant pressure: the water of a later hour against that of an earlier one. A tight line whose
 * swelling goes with the logarithm of time takes `tight_ratio` times as much.
 */
#[Calculates(
    'pe-two-volume',
    'Does the later hour take little enough water?',
    Family::PressureTest,
    ['q_l_h', 'limit_l', 'tight_ratio', 'verdict', 'outcome', 'why'],
    'From memory: AS/NZS 2566.2:2002, M5; hours to be confirmed',
    verdicts: ['good', 'bad'],
    codes: ['outcome' => ['pass', 'fail'], 'why' => ['visible_leak']],
)]
final class PeTwoVolume
{
    /** Share of the earlier water that the later may be (from memory: AS/NZS 2566.2). */
    private const SHARE = 0.55;

    /** L/h for each km, m of diameter and m of head (from memory: the same). */
    private const LEAKAGE = 0.14;

    /**
     * @param  list<list<float>>|null  $windows
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('length_m', Quantity::Length, above: 0)] float $length,
        #[Measure('dn_mm', Quantity::Length, above: 0)] float $dn,
        #[Measure('head_m', Quantity::Length, above: 0, about: 'average head of the test')] float $head,
        #[Measure('v1_l', Quantity::Volume, min: 0)] float $first,
        #[Measure('v2_l', Quantity::Volume, min: 0)] float $second,
        #[Rows('windows', ['h', 'h'], atLeast: 2, about: 'the two hours in which water is measured')] ?array $windows = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        [[$t1, $t2], [$t3, $t4]] = $this->windows($windows ?? [[2.0, 3.0], [5.0, 6.0]]);
        $leakage = self::LEAKAGE * $length / 1000 * $dn * $head;
        $limit = self::SHARE * Si::litres($first) + $leakage * ($t4 - $t3);
        $outcome = Compare::atMost(Si::litres($second), $limit) ? Outcome::Pass : Outcome::Fail;

        return [
            'q_l_h' => $leakage, 'limit_l' => $limit, 'tight_ratio' => log($t4 / $t3) / log($t2 / $t1),
            ...Outcome::answer($outcome, $visibleLeak),
        ];
    }

    /**
     * @param  list<list<float>>  $windows
     * @return list<list<float>>
     */
    private function windows(array $windows): array
    {
        $isHour = fn (array $w) => $w[0] > 0 && Compare::equal($w[1] - $w[0], 1.0);
        if (\count($windows) !== 2 || ! $isHour($windows[0]) || ! $isHour($windows[1]) || $windows[1][0] < $windows[0][1]) {
            throw Refused::field('windows', 'windows must be two hours after the start, one after the other, such as [[2, 3], [5, 6]].');
        }

        return $windows;
    }
}
