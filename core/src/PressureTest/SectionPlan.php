<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\Pipe\PipeSize;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Si;

/**
 * A section before its test: heads along the profile, gauge pressure, water, vents, thrust, earliest start, what is missing.
 *
 * Composed from the calculations of the registry, so that each number can be had alone on the Bench.
 *
 * @phpstan-type Run array{
 *     length_m: float, od_mm: float, wall_mm: float, e_mod_gpa: float, nu: float, restraint: string, dn_mm: float
 * }
 * @phpstan-type Held array{
 *     name: string, state: string, verdict: string, test_from: string|null, at_m: float, to_m: float, held_kpa: float|null
 * }
 * @phpstan-type Bend array{number: string, at_m: float, bend_deg: float}
 * @phpstan-type Ask array{
 *     from_m: float, to_m: float, mdp_bar: float, stp_method: string, water_c: float, fill_l_s: float, gauge_m?: float|null,
 *     factor?: float|null, pipe_max_bar?: float|null, p_min_high_bar?: float|null, v_max_m_s?: float|null,
 *     min_prominence_m?: float|null
 * }
 */
final readonly class SectionPlan
{
    /** The smallest bend in stock is one of 11.25°. */
    private const LEAST_BEND_DEG = 10.0;

    /** A record of what holds the thrust of a bend lies so near to it, m. */
    private const BESIDE_M = 2.0;

    /** What is typed is typed in whole figures. */
    private const SAME_KPA = 1.0;

    public function __construct(private Registry $registry)
    {
    }

    /**
     * @param  non-empty-list<array{float, float, float, float}>  $centreLine  [chainage m, easting, northing, level m], chainage rising
     * @param  non-empty-list<Run>  $runs  pipe of one kind after the other, from the beginning
     * @param  Ask  $ask
     * @param  list<array{number: string, state: string, verdict: string, test_from: string|null}>  $joints  joints inside the section
     * @param  list<Held>  $held  records of what holds its thrust; held_kpa is the pressure for which it was looked at
     * @param  list<Bend>  $set  bends that lie in the section as pieces of the line
     * @param  bool  $atGauge  whether the method takes its pressure from here; else it has one of its own
     * @return array<string, mixed>
     */
    public function plan(
        array $centreLine,
        array $runs,
        array $ask,
        array $joints,
        Medium $medium = Medium::Water,
        bool $atGauge = true,
        array $held = [],
        array $set = [],
    ): array {
        $profile = self::profile($centreLine, (float) $ask['from_m'], (float) $ask['to_m']);
        $gauge = (float) ($ask['gauge_m'] ?? $ask['from_m']);
        if ($gauge < $ask['from_m'] - 1e-6 || $gauge > $ask['to_m'] + 1e-6) {
            throw Refused::field(
                'gauge_m',
                sprintf('gauge_m %g lies outside the section, %g to %g m.', $gauge, $ask['from_m'], $ask['to_m']),
            );
        }
        $length = (float) $ask['to_m'] - (float) $ask['from_m'];
        $tested = $this->run(
            'system-test-pressure',
            ['method' => $ask['stp_method'], 'mdp_bar' => $ask['mdp_bar']] +
                (str_starts_with($ask['stp_method'], 'factor') ? ['factor' => $ask['factor'] ?? null, 'base_bar' => $ask['mdp_bar']] : []),
        );
        $stp = Given::number($tested, 'stp_kpa');
        $window = $this->window($profile, $gauge, $stp, $ask);
        $segments = array_map(fn (array $run) => [
            'length_m' => $run['length_m'], 'id_mm' => $run['od_mm'] - 2 * $run['wall_mm'], 'wall_mm' => $run['wall_mm'],
            'e_mod_gpa' => $run['e_mod_gpa'], 'nu' => $run['nu'], 'restraint' => $run['restraint'],
        ], $runs);
        // The cap on the larger end is pushed hardest.
        $largestEnd = max($runs[0]['od_mm'], $runs[\count($runs) - 1]['od_mm']);
        $waiting = array_values(array_filter(
            [...$joints, ...array_map(fn (array $of) => ['number' => $of['name']] + $of, $held)],
            fn (array $of) => $of['test_from'] !== null,
        ));
        $target = Given::number($window, 'target_kpa');
        $heads = self::heads($profile, $gauge, $target);
        // Gas weighs nothing: it pushes alike everywhere.
        $pushes = fn (float $chainage): float => $medium === Medium::Gas ? $stp : $target + Si::GRAVITY * (
            self::levelBetween($profile, $gauge) - self::levelBetween($profile, $chainage)
        );
        // A method with a pressure of its own has not said it here.
        $isKnown = $atGauge || $medium === Medium::Gas;
        $missing = [
            ...self::missing($joints),
            ...self::notHeld($held, $isKnown ? $pushes : fn (float $at): float => 0.0),
            ...self::unheld($set, $held, $runs, (float) $ask['from_m']),
        ];
        $compliance = $this->run('section-compliance', ['segments' => $segments, 't_water_degc' => $ask['water_c']]);
        $isFeasible = ! $atGauge || $window['feasible'] === true;

        return [
            'medium' => $medium->value,
            'at_gauge' => $atGauge,
            'length_m' => $length,
            'profile' => $profile,
            'stp_kpa' => $stp,
            'gauge' => $window,
            'heads' => $heads,
            'segments' => $segments,
            'allowance_segments' => array_map(
                fn (array $run) => ['length_m' => $run['length_m'], 'dn_mm' => PipeSize::nominalMm($run)],
                $runs,
            ),
            'compliance' => $compliance,
            'raise' => $this->run('pressurise-volume', [
                'segments' => $segments,
                't_water_degc' => $ask['water_c'],
                'p_end_kpa' => $target,
            ]),
            'raise_with_air' => $this->run('pressurise-volume', [
                'segments' => $segments,
                't_water_degc' => $ask['water_c'],
                'p_end_kpa' => $target,
                'air_percent' => 4,
            ]),
            'fill' => $this->run('fill-plan', [
                'segments' => array_map(fn (array $s) => ['length_m' => $s['length_m'], 'id_mm' => $s['id_mm']], $segments),
                'rate_l_s' => $ask['fill_l_s'],
                'v_max_m_s' => $ask['v_max_m_s'] ?? 0.3,
            ]),
            'vents' => $this->run('vents-and-drains', ['profile' => $profile, 'min_prominence_m' => $ask['min_prominence_m'] ?? 0.3]),
            'thrust' => $this->run('end-thrust', [
                'p_kpa' => $medium === Medium::Gas ? $stp : max(array_column($heads, 1)),
                'seal_od_mm' => $largestEnd,
                'fitting' => 'end',
            ]),
            'bends' => $this->bends($centreLine, $ask, $largestEnd, $pushes),
            'draws_in_mm' => $atGauge ? $this->drawsIn($runs, max(array_column($heads, 1))) : null,
            'split' => $atGauge ? $this->split($profile, $stp, $ask) : null,
            'stored' => $medium === Medium::Gas ? $this->stored(
                Given::number($compliance, 'volume_m3'), $stp, Given::number($compliance, 'compliance_l_per_bar'),
            ) : null,
            'earliest' => $waiting === []
                    ? null
                    : $this->last($held, $this->run('earliest-start', [
                        'joints' => array_map(
                            fn ($j) => ['id' => $j['number'], 'finished_at' => $j['test_from'], 'cooling_min' => 0],
                            $waiting,
                        ),
                    ])),
            'missing' => $missing,
            'joint_count' => \count($joints),
            'verdict' => $isFeasible ? ($missing === [] ? 'good' : 'open') : 'bad',
        ];
    }

    /**
     * What pushes where the line turns by a fitting: a smaller turn is taken by joints, or by the pipe itself.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $line
     * @param  Ask  $ask
     * @param  float  $od  mm
     * @param  \Closure(float): float  $pushes  kPa at a chainage
     * @return list<array{chainage_m: float, angle_deg: float, force_kn: float}>
     */
    private function bends(array $line, array $ask, float $od, \Closure $pushes): array
    {
        $bends = [];
        foreach (\array_slice($line, 1, -1) as $i => $at) {
            if ($at[0] <= $ask['from_m'] || $at[0] >= $ask['to_m']) {
                continue;
            }
            $angle = self::turn($line[$i], $at, $line[$i + 2]);
            if ($angle < self::LEAST_BEND_DEG) {
                continue;
            }
            $thrust = $this->run('end-thrust', [
                'p_kpa' => max(0.0, $pushes($at[0])),
                'seal_od_mm' => $od,
                'fitting' => 'bend',
                'angle_deg' => $angle,
            ]);
            $bends[] = ['chainage_m' => $at[0], 'angle_deg' => $angle, 'force_kn' => Given::number($thrust, 'force_kn')];
        }

        return $bends;
    }

    /**
     * @param  array{float, float, float, float}  $before
     * @param  array{float, float, float, float}  $at
     * @param  array{float, float, float, float}  $after
     * @return float degrees in space
     */
    private static function turn(array $before, array $at, array $after): float
    {
        $to = fn (array $p, array $q): array => [$q[1] - $p[1], $q[2] - $p[2], $q[3] - $p[3]];
        [[$a, $b, $c], [$d, $e, $f]] = [$to($before, $at), $to($at, $after)];
        $across = hypot(hypot($b * $f - $c * $e, $c * $d - $a * $f), $a * $e - $b * $d);

        return rad2deg(atan2($across, $a * $d + $b * $e + $c * $f));
    }

    /**
     * By how much 100 m of pipe whose joints slide grow shorter under the test pressure, of the run that does so most.
     *
     * @param  non-empty-list<Run>  $runs
     * @param  float  $pressure  kPa
     * @return float|null mm; null: no run has joints that slide
     */
    private function drawsIn(array $runs, float $pressure): ?float
    {
        $sliding = array_filter($runs, fn (array $run) => $run['restraint'] === 'jointed');
        $shorter = array_map(fn (array $run): float => -Given::number($this->run('pressure-length-change', [
            'method' => 'slip-joint', 'length_m' => 100, 'p_kpa' => max(0.0, $pressure),
            'od_mm' => $run['od_mm'], 'wall_mm' => $run['wall_mm'], 'e_mod_gpa' => $run['e_mod_gpa'], 'nu' => $run['nu'],
        ]), 'change_mm'), $sliding);

        return $shorter === [] ? null : max($shorter);
    }

    /**
     * Where it must be cut, when no pressure at the gauge suits both ends of its levels; null: it need not, or cutting does not help.
     *
     * @param  non-empty-list<array{float, float}>  $profile
     * @param  float  $stp  kPa
     * @param  Ask  $ask
     * @return array<string, mixed>|null
     */
    private function split(array $profile, float $stp, array $ask): ?array
    {
        $most = $ask['pipe_max_bar'] ?? $stp / 100;
        $least = (float) ($ask['p_min_high_bar'] ?? $ask['mdp_bar']);
        if ($most * 100 < $stp || $most <= $least) {
            return null;
        }
        $split = $this->run('split-section', ['profile' => $profile, 'p_max_bar' => $most, 'p_min_bar' => $least]);

        return $split['cuts_m'] === [] ? null : $split;
    }

    /**
     * What a section full of gas holds, beside the same one with water, and how far people keep.
     *
     * @return array<string, mixed>
     */
    private function stored(float $volume, float $pressure, float $compliance): array
    {
        $energy = $this->run('stored-energy', ['volume_m3' => $volume, 'p_test_kpa' => $pressure, 'compliance_l_per_bar' => $compliance]);

        return ['p_kpa' => $pressure] + $energy + $this->run('exclusion-distance', ['energy_mj' => $energy['energy_mj']]);
    }

    /**
     * The centre line between two chainages, its ends interpolated.
     *
     * @param  non-empty-list<array{float, float, float, float}>  $line
     * @return non-empty-list<array{float, float}> [chainage, level]
     */
    public static function profile(array $line, float $from, float $to): array
    {
        $last = $line[\count($line) - 1][0];
        if ($from >= $to || $from < $line[0][0] - 1e-6 || $to > $last + 1e-6) {
            throw Refused::field(
                'to_m',
                sprintf('the section goes from %g to %g m; the line has chainage %g to %g m.', $from, $to, $line[0][0], $last),
            );
        }
        $centre = new CentreLine($line);
        $profile = [[$from, $centre->levelAt($from)]];
        foreach ($line as $point) {
            if ($point[0] > $from + 1e-6 && $point[0] < $to - 1e-6) {
                $profile[] = [$point[0], $point[3]];
            }
        }
        $profile[] = [$to, $centre->levelAt($to)];

        return $profile;
    }

    /**
     * Gauge window; the target is what gives the lowest point exactly the test pressure.
     *
     * @param  non-empty-list<array{float, float}>  $profile
     * @param  Ask  $ask
     * @return array<string, mixed>
     */
    private function window(array $profile, float $gauge, float $stp, array $ask): array
    {
        $levels = array_column($profile, 1);
        $lowest = (int) array_search(min($levels), $levels, true);
        $highest = (int) array_search(max($levels), $levels, true);
        $most = $ask['pipe_max_bar'] ?? null;
        $points = array_map(fn ($p) => ['elevation_m' => $p[1], 'p_max_kpa' => $most === null ? null : $most * 100], $profile);
        // As long as nobody has said what the weakest part may see, the lowest point gets its test pressure and nothing more.
        $points[$lowest] = ['p_min_kpa' => $stp, 'p_max_kpa' => $points[$lowest]['p_max_kpa'] ?? $stp] + $points[$lowest];
        $points[$highest]['p_min_kpa'] = max(
            $points[$highest]['p_min_kpa'] ?? 0.0,
            100 * (float) ($ask['p_min_high_bar'] ?? $ask['mdp_bar']),
        );
        $gaugeLevel = self::levelBetween($profile, $gauge);
        $window = $this->run('test-gauge-window', ['points' => $points, 'gauge_elevation_m' => $gaugeLevel]);
        $room = [Given::number($window, 'gauge_min_kpa'), Given::number($window, 'gauge_max_kpa')];
        $target = max($room[0], min($room[1], $stp - Si::GRAVITY * ($gaugeLevel - $levels[$lowest])));
        [$forMin, $forMax] = [$window['governs_min'], $window['governs_max']];

        return [
            'gauge_m' => $gauge,
            'gauge_level_m' => $gaugeLevel,
            'min_kpa' => $room[0],
            'max_kpa' => $room[1],
            'target_kpa' => $target,
            'feasible' => $window['feasible'],
            'pipe_max_stated' => $most !== null,
            'pipe_max_kpa' => $most === null ? null : $most * 100,
            'lowest_m' => $profile[$lowest][0],
            'highest_m' => $profile[$highest][0],
            'governs_min_m' => \is_int($forMin) ? $profile[$forMin][0] : null,
            'governs_max_m' => \is_int($forMax) ? $profile[$forMax][0] : null,
        ];
    }

    /** @param  non-empty-list<array{float, float}>  $profile */
    private static function levelBetween(array $profile, float $chainage): float
    {
        return (new CentreLine(array_map(fn ($p) => [$p[0], 0.0, 0.0, $p[1]], $profile)))->levelAt($chainage);
    }

    /**
     * @param  non-empty-list<array{float, float}>  $profile
     * @return non-empty-list<array{float, float}> [chainage, kPa]
     */
    private static function heads(array $profile, float $gauge, float $target): array
    {
        $level = self::levelBetween($profile, $gauge);

        return array_map(fn ($p) => [$p[0], $target + Si::GRAVITY * ($level - $p[1])], $profile);
    }

    /**
     * @param  list<array{number: string, state: string, verdict: string, test_from: string|null}>  $joints
     * @return list<string>
     */
    private static function missing(array $joints): array
    {
        $missing = $joints === [] ? ['No joint of this section is recorded.'] : [];
        foreach ($joints as $joint) {
            $missing[] = match (true) {
                $joint['state'] === 'accepted' => null,
                $joint['verdict'] === 'bad' => "Joint {$joint['number']} is bad.",
                $joint['state'] === 'planned' => "Joint {$joint['number']} is not made.",
                $joint['state'] === 'made' => "Joint {$joint['number']} waits for its signature.",
                default => "Joint {$joint['number']} is not finished.",
            };
        }

        return array_values(array_filter($missing));
    }

    /**
     * @param  list<Held>  $held
     * @param  array<string, mixed>  $earliest
     * @return array<string, mixed> with whether it is a joint that is waited for
     */
    private function last(array $held, array $earliest): array
    {
        return $earliest + ['is_joint' => ! \in_array($earliest['governing'], array_column($held, 'name'), true)];
    }

    /**
     * @param  list<Held>  $held
     * @param  \Closure(float): float  $pushes  kPa at a chainage
     * @return list<string>
     */
    private static function notHeld(array $held, \Closure $pushes): array
    {
        $missing = [];
        foreach ($held as $of) {
            $test = $pushes($of['at_m']);
            $missing[] = match (true) {
                $of['verdict'] === 'bad' => "{$of['name']}: does not hold the thrust.",
                $of['held_kpa'] !== null && $of['held_kpa'] < $test - self::SAME_KPA => sprintf(
                    '%s is held for %.0f kPa; the test puts %.0f kPa on it.', $of['name'], $of['held_kpa'], $test,
                ),
                $of['state'] === 'accepted' && $of['held_kpa'] !== null => null,
                $of['state'] === 'made' => "{$of['name']} waits for its signature.",
                default => "{$of['name']} is not finished.",
            };
        }

        return array_values(array_filter($missing));
    }

    /**
     * Bends between joints that slide, of which nobody has recorded what holds them.
     *
     * @param  list<Bend>  $bends
     * @param  list<Held>  $held
     * @param  non-empty-list<Run>  $runs
     * @param  float  $from  chainage where the runs begin, m
     * @return list<string>
     */
    private static function unheld(array $bends, array $held, array $runs, float $from): array
    {
        $slides = function (float $at) use ($runs, $from): bool {
            foreach ($runs as $run) {
                $from += $run['length_m'];
                if ($at <= $from) {
                    return $run['restraint'] === 'jointed';
                }
            }

            return $runs[\count($runs) - 1]['restraint'] === 'jointed';
        };
        $lies = fn (float $at, array $of): bool => $at >= $of['at_m'] - self::BESIDE_M && $at <= $of['to_m'] + self::BESIDE_M;
        $unheld = array_filter($bends, fn (array $bend): bool => $slides($bend['at_m'])
            && array_filter($held, fn (array $of): bool => $lies($bend['at_m'], $of)) === []);

        return array_values(array_map(
            fn (array $bend): string => "Bend {$bend['number']} of {$bend['bend_deg']}°: no record says what holds its thrust.",
            $unheld,
        ));
    }

    /**
     * @param  array<string, mixed>  $in
     * @return array<string, mixed>
     */
    private function run(string $name, array $in): array
    {
        return $this->registry->run($name, array_filter($in, fn ($v) => $v !== null));
    }
}
