<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** Does an empty pipe rise when its trench fills with water up to the ground? Friction at the walls of the trench is left out. */
#[Calculates(
    'pipe-flotation',
    'Does the empty pipe stay down in a wet trench?',
    Family::Gasketed,
    ['fs', 'uplift_n_m', 'hold_n_m', 'cover_needed_m', 'pass', 'verdict'],
    'Archimedes; 1.1 to 1.25 wanted: common practice',
    verdicts: ['good', 'bad'],
)]
final class PipeFlotation
{
    /** Soil beside the crown, above the upper half of the pipe: (1 − π/4)/2 of a square of its diameter. */
    private const CORNERS = (1 - M_PI / 4) / 2;

    /**
     * @return array{fs: float, uplift_n_m: float, hold_n_m: float, cover_needed_m: float|null, pass: bool, verdict: string}
     * `cover_needed_m` null: without soil no cover holds
     */
    public function __invoke(
        #[Measure('od_m', Quantity::Length, above: 0, max: 5)] float $od,
        #[Number('mass_kg_per_m', above: 0, max: 20000, about: 'of the empty pipe')] float $mass,
        #[Measure('cover_m', Quantity::Length, min: 0, max: 15)] float $cover,
        #[Number('submerged_n_m3', min: 0, max: 14000, about: 'saturated soil less water, N/m³; 0: no backfill yet')] float $soil,
        #[Number('required_fs', min: 1, max: 2)] float $required,
        #[Measure('water_kg_m3', Quantity::Density, min: 990, max: 2400, about: 'flowable fill about 2000')] float $water = 1000.0,
    ): array {
        $uplift = $water * Si::GRAVITY * M_PI * $od ** 2 / 4;
        $weight = $mass * Si::GRAVITY;
        $hold = $weight + $soil * $od * ($cover + self::CORNERS * $od);
        $safety = $hold / $uplift;
        $pass = Compare::atLeast($safety, $required);

        return [
            'fs' => $safety,
            'uplift_n_m' => $uplift,
            'hold_n_m' => $hold,
            'cover_needed_m' => $soil > 0 ? max(0.0, ($required * $uplift - $weight) / ($soil * $od) - self::CORNERS * $od) : null,
            'pass' => $pass,
            'verdict' => Verdict::ofPass($pass)->value,
        ];
    }
}
