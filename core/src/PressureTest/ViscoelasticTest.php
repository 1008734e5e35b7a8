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
    ['creep_drop_percent', 'reduction_percent', 'dv_max_l', 'phase', 'max_fall_kpa', 'verdict', 'outcome', 'why'],
    'EN 805:2000, A.27',
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
            throw Refused::field('p_after', sprintf('p_after %g bar lies above p_creep_end %g bar: the reduction lets pressure out.', Si::bar($after), Si::bar($creepEnd)));
        }
        $section = Section::of($segments, $waterTemperature, $bulk);
        $out = ['creep_drop_percent' => 100 * ($stp - $creepEnd) / $stp];
        $answer = function (Outcome $outcome, string $phase, array $more = []) use (&$out, $visibleLeak): array {
            return $out + $more + ['phase' => $phase] + Outcome::answer($outcome, $visibleLeak);
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

        return $this->mainPhase($readings, $resolution, $main / 60, $extension / 60, $extensionFall, $answer);
    }

    /**
     * @param  list<list<float>>  $readings
     * @param  \Closure(Outcome, string, array<string, mixed>): array<string, mixed>  $answer
     * @return array<string, mixed>
     */
    private function mainPhase(array $readings, float $resolution, float $mainMinutes, float $extensionMinutes, float $extensionFall, \Closure $answer): array
    {
        $start = $readings[0][0];
        $lasted = $readings[count($readings) - 1][0] - $start;
        $within = fn (float $minutes) => array_values(array_filter($readings, fn ($r) => $minutes + 1e-9 >= $r[0] - $start));
        $main = $within($mainMinutes);
        $fall = $this->greatestFall($main);
        if ($lasted < $mainMinutes - 1e-9) {
            return $answer(Outcome::NotFinished, 'main', ['max_fall_kpa' => Si::kpa($fall)]);
        }
        $rise = ($main[count($main) - 1][1] - $main[0][1]) * 1000;
        if (Compare::atMost($fall, $resolution) && $rise > $resolution + Compare::slack($rise, $resolution)) {
            return $answer(Outcome::Pass, 'main', ['max_fall_kpa' => Si::kpa($fall)]);
        }
        if ($lasted <= $mainMinutes + 1e-9) {
            return $answer(Outcome::Extend, 'main', ['max_fall_kpa' => Si::kpa($fall)]);
        }
        $fall = $this->greatestFall($within($extensionMinutes));
        $outcome = match (true) {
            ! Compare::atMost($fall, $extensionFall) => Outcome::Fail,
            $lasted < $extensionMinutes - 1e-9 => Outcome::Extend,
            default => Outcome::Pass,
        };

        return $answer($outcome, 'extension', ['max_fall_kpa' => Si::kpa($fall)]);
    }

    /**
     * @param  list<list<float>>  $readings
     * @return float Pa below the highest earlier reading
     */
    private function greatestFall(array $readings): float
    {
        $highest = -INF;
        $fall = 0.0;
        foreach ($readings as [, $kpa]) {
            $highest = max($highest, $kpa);
            $fall = max($fall, $highest - $kpa);
        }

        return $fall * 1000;
    }
}
