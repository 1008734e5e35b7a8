<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * What happens inside a fusion joint: melt on both sides, temperature of the interface, when it is really cool.
 *
 * For understanding only: it never gives, changes or checks a fusion or cooling time; the label rules. One dimension
 * along the radius, no flow of melt, the wires smeared into one plane (real ones run hotter).
 */
#[Calculates(
    'fusion-thermal-sim',
    'What happens inside this joint? (for understanding, never a permission)',
    Family::Electrofusion,
    [
        'iface_c',
        'wire_c',
        'pipe_melt_mm',
        'fit_melt_mm',
        'gap_left_mm',
        't_melt_s',
        'energy_j',
        'cool_s',
        'iface_peak_c',
        'lost_j',
        'stored_j',
        'balance_pct',
        'history',
        'film_r_mm',
        'film',
        'understanding_only',
    ],
    'Radial conduction with melting, explicit finite volumes; properties of typical PE from memory; gap and wire model our own choice',
)]
final class FusionThermalSim
{
    /** Widest cell, m. */
    private const CELL = 0.0005;

    /** Air in the gap: conductivity W/(m·K), radiation W/(m²·K); least resistance of touching faces m²·K/W. */
    private const AIR = 0.035;

    private const RADIATION = 15.0;

    private const CONTACT = 1e-4;

    /** How much of the molten thickness swells into the gap. */
    private const SWELL = 0.15;

    private const LONGEST_COOLING_S = 20000;

    /** Pictures of the cooling are spread over this long at least, s. */
    private const COOLING_SHOWN_S = 1800;

    /** After this long without power the cells are doubled: gradients have gone, s. */
    private const COARSE_AFTER_S = 20;

    /**
     * @param  list<list<float>>  $pauses  [from_s, length_s]
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('pipe_od_mm', Quantity::Length, min: 10, max: 3000, about: 'after peeling')] float $od,
        #[Measure('pipe_wall_mm', Quantity::Length, min: 2, max: 150)] float $wall,
        #[Measure('gap_mm', Quantity::Length, min: 0, max: 10, about: 'radial')] float $gap,
        #[Measure('wire_depth_mm', Quantity::Length, min: 0.3, max: 10, about: 'bore of the coupling to the wire plane')] float $wireDepth,
        #[Measure('fitting_wall_mm', Quantity::Length, min: 2, max: 150, about: 'bore to outside')] float $fittingWall,
        #[Measure('zone_len_mm', Quantity::Length, min: 5, max: 3000, about: 'all heated length together')] float $zone,
        #[Measure('u_v', Quantity::Voltage, above: 0, max: 300)] float $voltage,
        #[Measure('r_ref_ohm', Quantity::Resistance, above: 0, max: 100)] float $resistance,
        #[Measure('t_fuse_s', Quantity::Time, min: 1, max: 7200)] float $fusing,
        #[Measure('pipe_c', Quantity::Temperature, min: -40, max: 80)] float $pipe,
        #[Measure('fitting_c', Quantity::Temperature, min: -40, max: 80)] float $fitting,
        #[Measure('air_c', Quantity::Temperature, min: -40, max: 80)] float $air,
        #[Number('tcr_per_k', min: 0, max: 0.01, about: 'rise of the resistance with temperature')] float $tcr = 0.0,
        #[Measure('t_ref_c', Quantity::Temperature, min: -40, max: 80)] float $tRef = 20.0,
        #[Number('h_in_wm2k', above: 0, max: 10000)] float $hIn = 5.0,
        #[Number('h_out_wm2k', above: 0, max: 10000)] float $hOut = 10.0,
        #[Number(
            'edges',
            min: 0,
            max: 8,
            whole: true,
            about: 'cold edges that draw heat along the pipe: 4 for a coupling with two zones',
        )]
        float $edges = 0.0,
        #[Rows('pauses', ['from_s', 'length_s'], atLeast: 0, notNegative: true, about: 'without power while the clock runs on')]
        array $pauses = [],
        #[Measure('cool_to_c', Quantity::Temperature, min: 0, max: 130)] ?float $coolTo = null,
        #[Measure('cool_for_s', Quantity::Time, min: 0, max: 20000, about: 'followed at least so long after power-off')]
        float $coolFor = 0.0,
        #[Measure('cell_mm', Quantity::Length, min: 0.1, max: 2, about: 'widest cell')] float $cell = self::CELL,
        #[Number(
            'frames',
            min: 0,
            max: 200,
            whole: true,
            about: 'pictures of the temperature along the radius, for the fusion and again for the cooling',
        )]
        float $frames = 0.0,
    ): array {
        if ($wireDepth >= $fittingWall) {
            throw Refused::field(
                'wire_depth_mm',
                sprintf(
                    'wire_depth_mm is %g mm; it must be below the wall of the fitting, %g mm.',
                    Si::mm($wireDepth),
                    Si::mm($fittingWall),
                ),
            );
        }
        if ($wall >= $od / 2) {
            throw Refused::field(
                'pipe_wall_mm',
                sprintf(
                    'pipe_wall_mm is %g mm; a pipe of %g mm has room for less than %g mm.',
                    Si::mm($wall),
                    Si::mm($od),
                    Si::mm($od / 2),
                ),
            );
        }
        $body = $this->mesh($od / 2, $wall, $gap, $wireDepth, $fittingWall, $pipe, $fitting, $cell);
        $start = $body->stored();
        $run = new FusionRun($body, $gap, $voltage, $resistance, $tcr, $tRef, $zone, $air, $hIn, $hOut, (int) $edges, $pauses);
        $recorder = new FusionFilm($body, (int) $frames);
        $recorder->take($run);

        $steps = (int) ceil($fusing / $body->longestStep());
        for ($i = 0; $i < $steps; $i++) {
            $run->step($fusing / $steps, $fusing);
            $recorder->during($run, $fusing);
        }
        $end = [
            'iface_c' => $run->body->skin,
            'wire_c' => $run->body->wire,
            'pipe_melt_mm' => Si::mm($run->pipeMelt()),
            'fit_melt_mm' => Si::mm($run->fittingMelt()),
            'gap_left_mm' => Si::mm($run->gap),
            't_melt_s' => $run->skinMeltedAt,
            'energy_j' => $run->body->given * $zone,
        ];
        $cool = $coolTo === null && $coolFor <= 0 ? null : $this->cool($run, $coolTo, $coolFor, $fusing, $recorder);
        $stored = $run->body->stored() - $start;

        return $end + [
            'cool_s' => $cool, 'iface_peak_c' => $run->peak, 'lost_j' => $run->body->lost * $zone, 'stored_j' => $stored * $zone,
            'balance_pct' => 100 * ($run->body->given - $run->body->lost - $stored) / max(1e-9, $run->body->given),
            ...$recorder->pictures(), 'understanding_only' => true,
        ];
    }

    private function mesh(
        float $radius,
        float $wall,
        float $gap,
        float $wireDepth,
        float $fittingWall,
        float $pipe,
        float $fitting,
        float $cell,
    ): RadialConduction {
        $bore = $radius + $gap;
        $shells = [];
        $ends = [];
        foreach ([[$radius - $wall, $wall], [$bore, $wireDepth], [$bore + $wireDepth, $fittingWall - $wireDepth]] as [$from, $width]) {
            $n = max(2, (int) ceil($width / $cell - 1e-9));
            for ($i = 0; $i < $n; $i++) {
                $shells[] = [$from + $width * $i / $n, $from + $width * ($i + 1) / $n];
            }
            $ends[] = \count($shells);
        }
        $start = [...array_fill(0, $ends[0], $pipe), ...array_fill(0, $ends[2] - $ends[0], $fitting)];

        return new RadialConduction(MeltingSolid::polyethylene(), $shells, $start, $ends[0], $ends[1]);
    }

    /** Seconds from power-off until both faces of the joint are below the wanted temperature; null when that takes too long. */
    private function cool(FusionRun $run, ?float $coolTo, float $coolFor, float $fusing, FusionFilm $film): ?float
    {
        $cool = null;
        $before = max($run->body->skin, $run->body->bore);
        $fine = true;
        $film->coolsFor(max($coolFor, self::COOLING_SHOWN_S));
        while (($since = $run->time - $fusing) < self::LONGEST_COOLING_S && ($since < $coolFor || ($coolTo !== null && $cool === null))) {
            if ($fine && $since > self::COARSE_AFTER_S) {
                $run->coarsen();
                $fine = false;
            }
            $dt = $run->body->longestStep();
            $run->step($dt, $fusing);
            $film->whileCooling($run, $fusing);
            $now = max($run->body->skin, $run->body->bore);
            if ($cool === null && $coolTo !== null && $now < $coolTo) {
                $cool = $run->time - $fusing - ($before > $now && $before >= $coolTo ? $dt * ($coolTo - $now) / ($before - $now) : 0.0);
            }
            $before = $now;
        }
        $film->take($run);

        return $cool;
    }

    /** m²·K/W of a gap: still air beside radiation, never below the contact of touching faces. */
    public static function gapResistance(float $gap): float
    {
        return $gap <= 0 ? self::CONTACT : max(self::CONTACT, 1 / (self::AIR / $gap + self::RADIATION));
    }

    public static function swell(): float
    {
        return self::SWELL;
    }
}
