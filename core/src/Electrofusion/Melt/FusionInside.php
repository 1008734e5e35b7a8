<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * One joint from the inside, beside what a wider gap, a cold pipe, less voltage or an interruption would have done.
 *
 * What a label does not say of the fitting (its wall, where the wires lie, how long the heated zone is) is assumed and
 * named. For understanding, never a permission: the label's times rule.
 */
#[Calculates(
    'fusion-inside',
    'What happened inside this joint, and what would a fault have done? (for understanding, never a permission)',
    Family::Electrofusion,
    ['assumed', 'sim', 'cases', 'cool_to_c', 'label_cooling_s', 'faces_at_clamps_off_c', 'understanding_only'],
    'fusion-thermal-sim with an assumed fitting: proportions our own choice for teaching',
)]
final class FusionInside
{
    /** Assumed fitting, as shares: wall of the fitting over wall of the pipe, heated length over length of the coupling. */
    private const WALL = 1.25;

    private const HEATED = 0.45;

    /** Depth of the wires below the bore: this share of the diameter, within these bounds, m. */
    private const WIRE = [0.008, 0.0008, 0.002];

    /** About so many cells along the radius: enough to understand by, in a fifth of a second for all cases. */
    private const CELLS = 60;

    /** What a fault would have done: a name and what it changes. */
    private const FAULTS = [
        'gap' => 'gap 1 mm wider',
        'cold' => 'pipe 15 K colder',
        'voltage' => 'voltage 10 % low',
        'pause' => '5 s without power',
    ];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('od_mm', Quantity::Length, min: 10, max: 3000, about: 'pipe after peeling')] float $od,
        #[Measure('wall_mm', Quantity::Length, min: 2, max: 150)] float $wall,
        #[Measure('u_v', Quantity::Voltage, above: 0, max: 300)] float $voltage,
        #[Measure('r_ohm', Quantity::Resistance, above: 0, max: 100)] float $resistance,
        #[Measure('t_s', Quantity::Time, min: 1, max: 7200)] float $time,
        #[Measure('pipe_c', Quantity::Temperature, min: -40, max: 80)] float $pipe,
        #[Measure('fitting_c', Quantity::Temperature, min: -40, max: 80)] float $fitting,
        #[Measure('air_c', Quantity::Temperature, min: -40, max: 80)] float $air,
        #[Measure('coupling_mm', Quantity::Length, above: 0, max: 5000)] ?float $coupling = null,
        #[Measure('zone_mm', Quantity::Length, above: 0, max: 3000, about: 'heated length, if known; a saddle: its length')]
        ?float $zone = null,
        #[Number('cover_deg', above: 0, max: 360, about: 'a saddle: how far it reaches round the pipe')] float $cover = 360.0,
        #[Measure('gap_mm', Quantity::Length, min: 0, max: 10, about: 'radial')] ?float $gap = null,
        #[Measure('fitting_wall_mm', Quantity::Length, min: 2, max: 150)] ?float $fittingWall = null,
        #[Measure('wire_depth_mm', Quantity::Length, min: 0.3, max: 10)] ?float $wire = null,
        #[Measure('cooling_min', Quantity::Time, above: 0, about: 'of the label')] ?float $cooling = null,
        #[Measure('cool_to_c', Quantity::Temperature, min: 30, max: 120, about: 'both faces below this count as cool')]
        float $coolTo = 80.0,
        #[Number('frames', min: 4, max: 80, whole: true)] float $frames = 40,
    ): array {
        if ($coupling === null && $zone === null) {
            throw Refused::field(
                'coupling_mm',
                'coupling_mm is missing: give the length of the coupling, or the heated length as zone_mm.',
            );
        }
        $assumed = [];
        $assume = function (string $what, ?float $known, float $guess) use (&$assumed): float {
            if ($known === null) {
                $assumed[$what] = round(Si::mm($guess), 2);
            }

            return $known ?? $guess;
        };
        // A patch is reckoned as a ring of the same area.
        $zoneLength = $assume('zone_len_mm', $zone === null ? null : $zone * $cover / 360, self::HEATED * (float) $coupling);
        $fittingWall = $assume('fitting_wall_mm', $fittingWall, max(0.004, self::WALL * $wall));
        $depth = $assume('wire_depth_mm', $wire, min(max(self::WIRE[0] * $od, self::WIRE[1]), self::WIRE[2]));
        $radial = $assume('gap_mm', $gap, 0.0003);
        $given = [
            'od' => $od, 'wall' => $wall, 'gap' => $radial, 'wireDepth' => $depth, 'fittingWall' => $fittingWall, 'zone' => $zoneLength,
            'voltage' => $voltage, 'resistance' => $resistance, 'fusing' => $time, 'pipe' => $pipe, 'fitting' => $fitting, 'air' => $air,
            'edges' => $zone === null ? 4.0 : 2.0, 'coolTo' => $coolTo,
            'cell' => min(max(($wall + $fittingWall) / self::CELLS, 0.0005), 0.0015),
        ];
        $sim = (new FusionThermalSim)(...$given, coolFor: $cooling ?? 0.0, frames: $frames);
        /** @var list<list<float>> $history */
        $history = $sim['history'];
        $cases = [['case' => 'none', 'about' => 'as it was'] + self::short($sim)];
        foreach (self::FAULTS as $fault => $about) {
            $changed = match ($fault) {
                'gap' => ['gap' => min(0.01, $radial + 0.001)], 'cold' => ['pipe' => max(-40, $pipe - 15)],
                'voltage' => ['voltage' => 0.9 * $voltage], 'pause' => ['pauses' => [[0.4 * $time, min(5, 0.2 * $time)]]],
            };
            $cases[] = ['case' => $fault, 'about' => $about] + self::short((new FusionThermalSim)(...[...$given, ...$changed]));
        }

        return [
            'assumed' => $assumed, 'sim' => $sim, 'cases' => $cases, 'cool_to_c' => $coolTo, 'label_cooling_s' => $cooling,
            'faces_at_clamps_off_c' => $cooling === null ? null : self::faceAt($history, $time + $cooling),
            'understanding_only' => true,
        ];
    }

    /**
     * @param  array<string, mixed>  $sim
     * @return array<string, mixed>
     */
    private static function short(array $sim): array
    {
        $told = ['iface_c', 'wire_c', 'pipe_melt_mm', 'fit_melt_mm', 'gap_left_mm', 't_melt_s', 'energy_j', 'cool_s'];

        return array_intersect_key($sim, array_flip($told));
    }

    /**
     * The skin's temperature at a second, from the pictures; null when they end before.
     *
     * @param  list<list<float>>  $history
     */
    private static function faceAt(array $history, float $second): ?float
    {
        foreach ($history as $i => $row) {
            if ($i > 0 && $row[0] >= $second) {
                $before = $history[$i - 1];

                return round($before[1] + ($second - $before[0]) / ($row[0] - $before[0]) * ($row[1] - $before[1]), 1);
            }
        }

        return null;
    }
}
