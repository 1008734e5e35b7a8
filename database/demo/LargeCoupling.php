<?php

namespace Database\Demo;

use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PracticeLabels;
use Illuminate\Support\Str;

/** The facts of one made-up large coupling on a 630 SDR 17 main and of its restraints, as a crew would record them. */
final class LargeCoupling
{
    private const VOLTS = 44.0;

    private const OHMS = 0.45;

    private const SECONDS = 900;

    /** Where the mark is read at the face. */
    private const FACE = ['12:00', '3:00', '6:00', '9:00'];

    private const CLOCKS = ['12:00', '1:30', '3:00', '4:30', '6:00', '7:30', '9:00', '10:30'];

    /**
     * @param  array{a: string, b: string}  $pipes
     * @param  list<float>  $gaps  largest gap at first, and after each preheating
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}>
     */
    public static function facts(array $pipes, \DateTimeImmutable $start, Stores $stores, array $gaps, string $windings): array
    {
        $yes = fn (string ...$keys): array => array_fill_keys($keys, true);
        $layout = $stores->chosen('layout');
        $facts = [
            ['kit', $stores->kit('box-large'), 0],
            [
                'conditions',
                [
                    'air_c' => 13.5,
                    'rh_pct' => 62,
                    'pipe_c' => 13.0,
                    'fitting_c' => 14.0,
                    'wind_ms' => 1.5,
                    'shelter' => true,
                    'rain' => false,
                ],
                2,
            ],
            ['pipes', ['pipe_a' => $pipes['a'], 'pipe_b' => $pipes['b'], 'slides' => 'normal'], 3],
            [
                'code',
                [
                    'code' => PracticeLabels::encode(630, self::VOLTS, self::OHMS, 10, self::SECONDS, 2),
                    'serial' => 'C630-'.$pipes['b'],
                    'layout' => $layout,
                ],
                4,
            ],
            [
                'label',
                [
                    'dn_mm' => 630,
                    'voltage_v' => self::VOLTS,
                    'time_s' => self::SECONDS,
                    'cooling_min' => 60,
                    'sdr_min' => 11,
                    'sdr_max' => 17,
                    'coupling_mm' => 440,
                    'windings' => $windings,
                    'preheat_v' => 24,
                    'preheat_s' => 600,
                ],
                5,
            ],
            ['preheat-code', ['code' => PracticeLabels::encode(630, 24, self::OHMS, 10, 600, 2), 'layout' => $layout], 6],
            [
                'supply',
                [
                    'generator' => $stores->chosen('set-large'),
                    'lead' => $stores->chosen('lead'),
                    'alone' => true,
                    'fuel_l' => 9,
                    'earthed' => true,
                ],
                7,
            ],
        ];
        foreach (['a' => 10, 'b' => 40] as $side => $at) {
            $turn = $side === 'a' ? 60 : 15;
            array_push(
                $facts,
                ["cut-ends@{$side}", ['gravel' => false] + $yes('square', 'washed'), $at - 1],
                ["od@{$side}", ['od_tape_mm' => 631.4], $at],
                ["shape@{$side}", ['readings' => self::radii(7.4, $turn, 631.4)], $at + 1],
                ["reround@{$side}", $yes('fitted'), $at + 3],
                ["clamped@{$side}", ['readings' => self::radii(1.1, $turn + 20, 631.4)], $at + 19],
                ["toe@{$side}", ['od_end_mm' => 629.9, 'od_back_mm' => 631.4], $at + 20],
                ["scrape@{$side}", ['od_after_mm' => 630.7, 'tool' => 'turning'] + $yes('marks_gone', 'sharp'), $at + 24],
                ["mark@{$side}", ['mark_mm' => 220] + $yes('all_round'), $at + 25],
            );
        }
        array_push($facts, ['restraints', $yes('hooked', 'straps'), 70], ['belts', $yes('on', 'bag'), 72]);
        $marks = array_map(fn ($clock, $mm) => ['clock' => $clock, 'value_mm' => $mm], self::FACE, [1, 2, 2, 1]);
        foreach (['a' => 74, 'b' => 80] as $side => $at) {
            array_push(
                $facts,
                ["wipe@{$side}", $yes('bevelled', 'wiped', 'dry'), $at],
                ["pull@{$side}", ['steps' => 14] + $yes('rigged', 'turn', 'level_top', 'level_front'), $at + 2],
                ["face@{$side}", ['readings' => $marks], $at + 3],
                // The side that was pulled first is the tighter one.
                ["gap@{$side}", self::gaps($side === 'a' && $windings === 'one' ? 0.8 * $gaps[0] : $gaps[0]), $at + 4],
            );
        }
        $at = 88;
        // 0.2 %/K of the code for the 9 K below 23 degC.
        $planned = round(self::SECONDS * 1.018);
        foreach ($windings === 'one' ? ['' => 'fusion'] : ['a' => 'fusion-side@a', 'b' => 'fusion-side@b'] as $side => $fusion) {
            foreach (\array_slice($gaps, 1) as $k => $gap) {
                $n = $side.($k + 1);
                $heated = $start->modify('+'.($at + 2).' minutes');
                array_push(
                    $facts,
                    ["preheat@{$n}", self::trace(24, 600, $heated, 60 + $k + ($side === 'b' ? 4 : 0)), $at + 14],
                    ["gap@{$n}", self::gaps($gap), $at + 34],
                );
                $at += 40;
            }
            $checked = $yes('belts', 'level', 'marks', 'tight', 'contacts', 'ends_closed', 'display');
            $facts[] = [$side === '' ? 'ready' : "ready-side@{$side}", $checked, $at];
            $fused = $start->modify('+'.($at + 2).' minutes');
            $facts[] = [$fusion, self::trace(self::VOLTS, $planned, $fused, $side === 'b' ? 71 : 70), $at + 18];
            $at += 20;
        }
        $end = $at - 2;
        array_push(
            $facts,
            ['cooling', ['released_at' => $start->modify('+'.($end + 62).' minutes')->format('Y-m-d\TH:i:sP')], $end + 62],
            [
                'look',
                [
                    'leads_off' => true,
                    'belts_stayed' => true,
                    'indicators_up' => true,
                    'marks_visible' => true,
                    'marks_moved' => false,
                    'peel_visible' => true,
                    'melt_escape' => false,
                    'wire_exposed' => false,
                    'misaligned' => false,
                    'moved' => false,
                    'wet' => false,
                    'photos' => [],
                ],
                $end + 66,
            ],
        );

        return self::dated($facts, $start);
    }

    /** @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}> */
    public static function restraint(int $n, \DateTimeImmutable $start, Stores $stores): array
    {
        $round = ['readings' => array_map(fn ($clock) => ['clock' => $clock, 'value_mm' => 0.2], ['12:00', '3:00', '6:00', '9:00'])];
        $yes = fn (string ...$keys): array => array_fill_keys($keys, true);

        return self::dated(
            [
                ['kit', $stores->kit('box', 'scraper'), 0],
                [
                    'conditions',
                    [
                        'air_c' => 13.5,
                        'rh_pct' => 62,
                        'pipe_c' => 13.0,
                        'fitting_c' => 14.0,
                        'wind_ms' => 1.5,
                        'shelter' => true,
                        'rain' => false,
                    ],
                    1,
                ],
                [
                    'code',
                    [
                        'code' => PracticeLabels::encode(630, 39.5, 1.1, 10, 100, 2, 'restraint'),
                        'serial' => sprintf('R-%04d', 800 + $n),
                        'layout' => $stores->chosen('layout'),
                    ],
                    2,
                ],
                [
                    'label',
                    [
                        'dn_mm' => 630,
                        'voltage_v' => 39.5,
                        'time_s' => 100,
                        'cooling_min' => 15,
                        'saddle_mm' => 150,
                        'cover_deg' => 25,
                        'held' => 'bolts',
                        'torque_nm' => 10,
                    ],
                    3,
                ],
                ['supply', ['generator' => $stores->chosen('set'), 'alone' => true, 'earthed' => true], 4],
                ['footprint', ['gravel' => false] + $yes('washed', 'bag', 'witness'), 5],
                ['scrape', ['chip_mm' => 0.36] + $yes('marks_gone', 'sharp'), 8],
                ['wipe', $yes('wiped', 'dry'), 9],
                ['clamp', ['torque_nm' => 10.1, 'square' => true], 10],
                ['gap', $round, 11],
                ['ready', $yes('tight', 'contacts', 'outlet_closed', 'supported', 'display'), 11],
                ['fusion', self::trace(39.5, 102, $start->modify('+12 minutes'), $n, 1.1), 14],
                ['cooling', ['released_at' => $start->modify('+30 minutes')->format('Y-m-d\TH:i:sP')], 30],
                [
                    'look',
                    $yes('leads_off', 'indicators_up', 'bead', 'peel_visible') + [
                        'melt_escape' => false,
                        'wire_exposed' => false,
                        'moved' => false,
                        'wet' => false,
                    ],
                    31,
                ],
            ],
            $start,
        );
    }

    /** @return array<string, mixed> */
    public static function trace(
        float $volts,
        float $seconds,
        \DateTimeImmutable $from,
        int $seed,
        float $ohms = self::OHMS,
        string $fault = 'none',
    ): array {
        return [
            'trace' => (string) Str::uuid(),
            'part' => 0,
            'final' => true,
            'samples' => FusionBox::trace($volts, $ohms, $seconds, $fault, $seed),
            'cold_r_ohm' => round($ohms * FusionBox::programme($fault, $seed)['r_ratio'], 4),
            'supply_v' => 228,
            'source' => 'stand-in',
            'started_at' => $from->format('Y-m-d\TH:i:sP'),
            'ended_at' => $from->modify('+'.(int) $seconds.' seconds')->format('Y-m-d\TH:i:sP'),
        ];
    }

    /** @return list<array{clock: string, value_mm: float}> an end that is oval by so much along a direction, read a little off centre */
    private static function radii(float $oval, float $axis, float $od): array
    {
        return array_map(
            fn (string $clock, int $k) => [
                'clock' => $clock,
                'value_mm' => round(
                    $od / 2 +
                        ($oval / 4) * cos(2 * deg2rad(45 * $k - $axis)) +
                        1.2 * cos(deg2rad(45 * $k - 200)) +
                        [0.05, -0.04, 0.02, 0.06, -0.05, 0.03, -0.02, -0.05][$k],
                    1,
                ),
            ],
            self::CLOCKS,
            array_keys(self::CLOCKS),
        );
    }

    /**
     * Widest on top, where a pipe that lies in the bottom leaves it.
     *
     * @return array{readings: list<array{clock: string, value_mm: float}>}
     */
    private static function gaps(float $top): array
    {
        return [
            'readings' => array_map(
                fn (string $clock, int $k) => ['clock' => $clock, 'value_mm' => round($top * (0.72 + 0.28 * cos(deg2rad(45 * $k))), 2)],
                self::CLOCKS,
                array_keys(self::CLOCKS),
            ),
        ];
    }

    /**
     * @param  list<array{string, array<string, mixed>, int}>  $facts
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}>
     */
    public static function dated(array $facts, \DateTimeImmutable $start): array
    {
        return array_map(fn ($f) => ['step' => $f[0], 'value' => $f[1], 'at' => $start->modify("+{$f[2]} minutes")], $facts);
    }
}
