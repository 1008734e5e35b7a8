<?php

namespace Database\Demo;

use Diastoma\Core\Simulation\PracticeLabels;

/** The facts of one made-up tapping saddle on a 180 SDR 11 gas main. */
final class Saddle
{
    /** @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}> */
    public static function facts(int $n, string $pipe, \DateTimeImmutable $start, Stores $stores, string $fault = 'none'): array
    {
        $round = fn (float $gap) => [
            'readings' => array_map(fn ($clock) => ['clock' => $clock, 'value_mm' => $gap], ['12:00', '3:00', '6:00', '9:00']),
        ];
        $yes = fn (string ...$keys): array => array_fill_keys($keys, true);

        return LargeCoupling::dated(
            [
                ['kit', $stores->kit('box', 'scraper'), 0],
                [
                    'conditions',
                    [
                        'air_c' => 12.0,
                        'rh_pct' => 66,
                        'pipe_c' => 12.0,
                        'fitting_c' => 13.0,
                        'wind_ms' => 2.4,
                        'shelter' => false,
                        'rain' => false,
                    ],
                    1,
                ],
                ['pipes', ['pipe_a' => $pipe, 'position' => '12:00'], 2],
                [
                    'code',
                    [
                        'code' => PracticeLabels::encode(180, 39.5, 1.1, 10, 100, 2, 'saddle'),
                        'serial' => sprintf('TS-%04d', 410 + $n),
                        'layout' => $stores->chosen('layout'),
                    ],
                    3,
                ],
                [
                    'label',
                    [
                        'dn_mm' => 180,
                        'outlet_mm' => 32,
                        'voltage_v' => 39.5,
                        'time_s' => 100,
                        'cooling_min' => 10,
                        'tapping_min' => 60,
                        'saddle_mm' => 120,
                        'cover_deg' => 150,
                        'held' => 'bolts',
                        'torque_nm' => 10,
                        'opens' => 'cutter',
                    ],
                    4,
                ],
                [
                    'supply',
                    ['generator' => $stores->chosen('set'), 'lead' => $stores->chosen('lead'), 'alone' => true, 'earthed' => true],
                    5,
                ],
                ['od', ['od_tape_mm' => 180.4], 6],
                ['footprint', ['gravel' => false] + $yes('washed', 'bag', 'witness'), 8],
                ['scrape', ['chip_mm' => 0.36] + $yes('marks_gone', 'sharp'), 12],
                ['wipe', $yes('wiped', 'dry'), 13],
                ['clamp', ['torque_nm' => 10.2, 'square' => true], 15],
                ['gap', $round(0.15), 16],
                ['ready', $yes('tight', 'contacts', 'outlet_closed', 'supported', 'display'), 17],
                ['fusion', LargeCoupling::trace(39.5, 102, $start->modify('+18 minutes'), 30 + $n, 1.1, $fault), 20],
                ['cooling', ['released_at' => $start->modify('+32 minutes')->format('Y-m-d\TH:i:sP')], 32],
                ['after', $round(0.0), 33],
                [
                    'look',
                    $yes('leads_off', 'indicators_up', 'bead', 'peel_visible') + [
                        'melt_escape' => false,
                        'wire_exposed' => false,
                        'moved' => false,
                        'wet' => false,
                        'photos' => [],
                    ],
                    34,
                ],
                ['branch-test', ['uncut' => true, 'start_kpa' => 1012, 'end_kpa' => 1010, 'held_min' => 12, 'leak' => false], 50],
                ['tap', $yes('cut', 'capped'), 85],
            ],
            $start,
        );
    }
}
