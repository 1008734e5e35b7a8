<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Polyethylene main by EN 805:2000, A.27: relax, raise, hold, creep, let a little out, and see whether the pipe,
 * shrinking back, makes the pressure rise.
 */
#[Calculates(
    'viscoelastic-test',
    'Is the stretching pipe tight?',
    Family::PressureTest,
    ['creep_drop_percent', 'creep_least_kpa', 'main_least', 'reduction_percent', 'dv_max_l', 'phase', 'max_fall_kpa',
        'verdict', 'outcome', 'why'],
    'EN 805:2000, A.27',
    verdicts: ['good', 'bad', 'open'],
    codes: [
        'phase' => ['relax', 'raise', 'hold', 'creep', 'creep-drop', 'reduction', 'air', 'main', 'extension'],
        'outcome' => ['pass', 'fail', 'repeat', 'extend', 'not-finished', 'cannot-tell'],
        'why' => ['p_after', 'max_gap', 'visible_leak'],
    ],
)]
final class ViscoelasticTest
{
    /**
     * @param  list<Segment>  $segments
     * @param  list<list<float>>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('stp_bar', Quantity::Pressure, above: 0)] float $stp,
        #[Measure('relax_min', Quantity::Time, min: 0)] float $relax,
        #[Measure('raise_min', Quantity::Time, min: 0)] float $raise,
        #[Measure('hold_min', Quantity::Time, min: 0)] float $hold,
        #[Measure('creep_min', Quantity::Time, min: 0)] float $creep,
        #[Measure('p_creep_end_bar', Quantity::Pressure, min: 0)] float $creepEnd,
        #[Measure('p_after_bar', Quantity::Pressure, min: 0)] float $after,
        #[Measure('removed_l', Quantity::Volume, min: 0)] float $removed,
        #[Items('segments', Segment::class)] array $segments,
        #[Rows('readings', ['min', 'kPa'], atLeast: 1, about: 'main phase')] array $readings,
        #[Measure('bulk_gpa', Quantity::Pressure, min: 1, max: 3)] ?float $bulk = null,
        #[Measure('t_water_degc', Quantity::Temperature)] ?float $waterTemperature = null,
        #[Number('factor', min: 1, max: 2)] float $factor = 1.2,
        #[Measure('resolution_kpa', Quantity::Pressure, min: 0)] float $resolution = 0.0,
        #[Measure('max_gap_min', Quantity::Time, above: 0, about: 'longest time between two readings')] float $maxGap = 300.0,
        #[Flag('visible_leak')] bool $visibleLeak = false,
        #[Measure('relax_least_min', Quantity::Time, min: 0)] float $relaxLeast = 3600,
        #[Measure('raise_most_min', Quantity::Time, above: 0)] float $raiseMost = 600,
        #[Measure('hold_least_min', Quantity::Time, min: 0)] float $holdLeast = 1800,
        #[Measure('creep_least_min', Quantity::Time, min: 0)] float $creepLeast = 3600,
        #[Number('creep_drop_most_percent', min: 0, max: 100)] float $creepDropMost = 30,
        #[Number('reduction_least_percent', min: 0, max: 100)] float $reductionLeast = 10,
        #[Number('reduction_most_percent', min: 0, max: 100)] float $reductionMost = 15,
        #[Measure('main_min', Quantity::Time, above: 0)] float $main = 1800,
        #[Measure('extension_min', Quantity::Time, above: 0)] float $extension = 5400,
        #[Measure('extension_fall_kpa', Quantity::Pressure, min: 0)] float $extensionFall = 25000,
    ): array {
        if ($after > $creepEnd) {
            throw Refused::field(
                'p_after',
                sprintf(
                    'p_after %g bar lies above p_creep_end %g bar: the reduction lets pressure out.',
                    Si::bar($after),
                    Si::bar($creepEnd),
                ),
            );
        }
        if ($readings[0][0] < 0) {
            throw Refused::field(
                'readings',
                "readings, row 1: minute {$readings[0][0]} lies before the end of the letting out, which is minute 0.",
            );
        }
        $section = Section::of($segments, $waterTemperature, $bulk);
        $out = [
            'creep_drop_percent' => 100 * ($stp - $creepEnd) / $stp,
            'creep_least_kpa' => Si::kpa($stp * (1 - $creepDropMost / 100)),
            'main_least' => self::leastSoFar($readings, Si::kpa($extensionFall)),
        ];
        $answer = function (Outcome $outcome, string $phase, array $more = [], ?string $why = null) use (&$out, $visibleLeak): array {
            return $out + $more + ['phase' => $phase] + Outcome::answer($outcome, $visibleLeak, $why);
        };

        $early = match (true) {
            ! Compare::atLeast($relax, $relaxLeast) => 'relax',
            ! ($raise < $raiseMost - 1e-6) => 'raise',
            ! Compare::atLeast($hold, $holdLeast) => 'hold',
            ! Compare::atLeast($creep, $creepLeast) => 'creep',
            default => null,
        };
        if ($early !== null) {
            return $answer(Outcome::Repeat, $early);
        }
        if (! Compare::atMost($out['creep_drop_percent'], $creepDropMost)) {
            return $answer(Outcome::Fail, 'creep-drop');
        }
        $reduction = 100 * ($creepEnd - $after) / $stp;
        $out['reduction_percent'] = $reduction;
        if (! Compare::atLeast($reduction, $reductionLeast) || ! Compare::atMost($reduction, $reductionMost)) {
            return $answer(Outcome::Repeat, 'reduction');
        }
        $most = $factor * $section->compliance() * ($creepEnd - $after);
        $out['dv_max_l'] = Si::litres($most);
        if (! Compare::atMost($removed, $most)) {
            return $answer(Outcome::Repeat, 'air');
        }

        $phase = new MainPhase($readings, Si::kpa($resolution), $maxGap / 60, $main / 60, $extension / 60, Si::kpa($extensionFall));
        [$outcome, $at, $fall, $why] = $phase->judge(Si::kpa($after));

        return $answer($outcome, $at, ['max_fall_kpa' => $fall], $why);
    }

    /**
     * Below what the pressure must not be, reading by reading: so much under the highest one so far.
     *
     * @param  list<list<float>>  $readings
     * @return list<array{float, float}> [min from the end of the letting out, kPa]
     */
    private static function leastSoFar(array $readings, float $mostFall): array
    {
        $highest = -INF;
        $least = [];
        foreach ($readings as [$at, $pressure]) {
            $highest = max($highest, $pressure);
            $least[] = [$at, $highest - $mostFall];
        }

        return $least;
    }
}
