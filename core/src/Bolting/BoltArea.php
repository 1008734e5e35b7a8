<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** The area of a bolt that bears the load. */
#[Calculates(
    'bolt-area',
    'What area of the bolt bears?',
    Family::Mechanical,
    ['area_m2', 'area_mm2'],
    'ASME B1.1 (inch); short form of ISO 898-1 (metric), equal within 2e-6',
)]
final class BoltArea
{
    private const INCH = 0.0254;

    /** @return array{area_m2: float, area_mm2: float} */
    public function __invoke(
        #[Measure('diameter_m', Quantity::Length, above: 0)] float $diameter,
        #[Measure('pitch_m', Quantity::Length, above: 0)] ?float $pitch = null,
        #[Number('threads_per_inch', above: 0)] ?float $threads = null,
    ): array {
        if (($pitch === null) === ($threads === null)) {
            throw Refused::field('pitch_m', 'pitch_m or threads_per_inch is wanted: one of both.');
        }
        $area = $threads === null ? $this->metric($diameter, (float) $pitch) : $this->inch($diameter / self::INCH, $threads);

        return ['area_m2' => $area, 'area_mm2' => $area * 1e6];
    }

    private function metric(float $diameter, float $pitch): float
    {
        if ($pitch >= $diameter) {
            throw Refused::field('pitch_m', "pitch_m is {$pitch} m; the bolt is {$diameter} m thick.");
        }

        return M_PI / 4 * ($diameter - 0.9382 * $pitch) ** 2;
    }

    /** @param  float  $diameter  in inches */
    private function inch(float $diameter, float $threads): float
    {
        if (0.9743 / $threads >= $diameter) {
            throw Refused::field('threads_per_inch', "threads_per_inch is {$threads}: too few for a bolt of {$diameter} in.");
        }

        return 0.7854 * ($diameter - 0.9743 / $threads) ** 2 * self::INCH ** 2;
    }
}
