<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/**
 * Levels for laser and sight rails. The beam of a laser in the bore stands at a fixed height above the invert: its far target is
 * looked at after every restart, and after heat or fans disturb the air.
 */
#[Calculates(
    'grade-sheet',
    'At which levels do trench bottom, pipe and sight rail lie?',
    Family::Gasketed,
    ['rows', 'invert_m', 'formation_m', 'cut_m', 'fill', 'sight_rail_m', 'rail_above_ground_m'],
    'Geometry',
)]
final class GradeSheet
{
    /**
     * @param  non-empty-list<SheetStation>  $stations
     * @return array{rows: list<array{
     *     invert_m: float, formation_m: float, cut_m: float|null, fill: bool|null,
     *     sight_rail_m: float|null, rail_above_ground_m: float|null
     * }>} in the order of the stations; null where the ground or the height of the rail is not known
     */
    public function __invoke(
        #[Measure('invert0_m', Quantity::Length)] float $invert,
        #[Measure('chainage0_m', Quantity::Length)] float $chainage,
        #[Number('grade_ratio', min: -2, max: 2, about: 'rise over run')] float $grade,
        #[Measure('wall_m', Quantity::Length, min: 0, max: 1)] float $wall,
        #[Measure('bedding_m', Quantity::Length, min: 0, max: 2)] float $bedding,
        #[Items('stations', SheetStation::class)] array $stations,
        #[Measure('sight_height_m', Quantity::Length, above: 0, about: 'of the traveller, above the invert')] ?float $height = null,
    ): array {
        return ['rows' => array_map(function (SheetStation $station) use ($invert, $chainage, $grade, $wall, $bedding, $height): array {
            $here = $invert + $grade * ($station->chainage - $chainage);
            $formation = $here - $wall - $bedding;
            $cut = $station->ground === null ? null : $station->ground - $formation;
            $rail = $height === null ? null : $here + $height;

            return [
                'invert_m' => $here,
                'formation_m' => $formation,
                'cut_m' => $cut,
                'fill' => $cut === null ? null : $cut < 0,
                'sight_rail_m' => $rail,
                'rail_above_ground_m' => $rail === null || $station->ground === null ? null : $rail - $station->ground,
            ];
        }, $stations)];
    }
}
