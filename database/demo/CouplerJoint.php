<?php

namespace Database\Demo;

use Diastoma\Core\Simulation\FusionBox;
use Diastoma\Core\Simulation\PracticeLabels;
use Illuminate\Support\Str;

/** The facts of one made-up coupler joint, in order, as a crew would record them: on a 225 SDR 11 water main or a 180 SDR 11 gas main. */
final class CouplerJoint
{
    /** Outside diameter as taped, coupling length, label's figures, and where the diameters are read. */
    private const MAINS = [
        225 => [
            'od_mm' => 225.4,
            'coupling_mm' => 230,
            'volts' => 39.5,
            'ohms' => 0.85,
            'seconds' => 240,
            'cooling_min' => 20,
            'gap_mm' => 0.9,
            'clocks' => ['12:00', '1:30', '3:00', '4:30'],
        ],
        180 => [
            'od_mm' => 180.4,
            'coupling_mm' => 210,
            'volts' => 39.5,
            'ohms' => 1.05,
            'seconds' => 180,
            'cooling_min' => 16,
            'gap_mm' => 0.9,
            'clocks' => ['12:00', '12:45', '1:30', '2:15', '3:00', '3:45', '4:30', '5:15'],
        ],
    ];

    /**
     * @param  int  $dn  225 or 180, mm
     * @param  array{a: string, b: string}  $pipes
     * @param  \DateTimeImmutable  $start  when the first step was recorded
     * @param  array<string, mixed>  $kit  as chosen out of the stores
     * @param  array<string, mixed>  $power  source and lead
     * @param  array<string, mixed>  $layout  of the code
     * @param  array<string, mixed>|null  $scriber  where the school wipes before the peel
     * @param  string  $fault  of the stand-in box
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}>
     */
    public static function facts(
        int $dn,
        int $seed,
        array $pipes,
        \DateTimeImmutable $start,
        array $kit,
        array $power,
        array $layout,
        ?array $scriber = null,
        string $fault = 'none',
        bool $coupledAndLooked = true,
    ): array {
        mt_srand($seed);
        $wobble = fn (float $by) => $by * (mt_rand() / mt_getrandmax() * 2 - 1);
        $main = self::MAINS[$dn] ?? throw new \InvalidArgumentException("There is no made-up main of {$dn} mm.");
        [$volts, $ohms, $seconds, $half] = [$main['volts'], $main['ohms'], $main['seconds'], $main['coupling_mm'] / 2];
        $od = round($main['od_mm'] + $wobble(0.15), 1);
        $facts = [
            ['kit', $kit + ($scriber === null ? [] : ['scriber' => $scriber]), 0],
            [
                'conditions',
                [
                    'air_c' => round(11 + $wobble(3), 1),
                    'rh_pct' => round(58 + $wobble(8)),
                    'pipe_c' => 12.0,
                    'fitting_c' => 13.0,
                    'wind_ms' => round(2 + $wobble(1.5), 1),
                    'shelter' => false,
                    'rain' => false,
                ],
                0,
            ],
            ['pipes', ['pipe_a' => $pipes['a'], 'pipe_b' => $pipes['b'], 'slides' => 'normal'], 2],
            [
                'code',
                [
                    'code' => PracticeLabels::encode($dn, $volts, $ohms, 10, $seconds, 2),
                    'serial' => sprintf('C%d-%05d', $dn, 30100 + $seed),
                    'layout' => $layout,
                ],
                3,
            ],
            [
                'label',
                [
                    'dn_mm' => $dn,
                    'voltage_v' => $volts,
                    'time_s' => $seconds,
                    'cooling_min' => $main['cooling_min'],
                    'sdr_min' => 11,
                    'sdr_max' => 17,
                    'coupling_mm' => $main['coupling_mm'],
                    'gap_mm' => $main['gap_mm'],
                ],
                4,
            ],
            ['supply', $power + ['alone' => true, 'earthed' => true], 5],
        ];
        foreach (['a', 'b'] as $i => $side) {
            $t = 6 + 9 * $i;
            $facts[] = ["cut-ends@{$side}", ['square' => true, 'gravel' => false, 'washed' => true], $t];
            $facts[] = ["od@{$side}", ['od_tape_mm' => $od, 'od_end_mm' => round($od - 0.7 + $wobble(0.2), 1)], $t + 1];
            $facts[] = [
                "ovality@{$side}",
                [
                    'readings' => array_map(
                        fn ($clock, $k) => [
                            'clock' => $clock,
                            'value_mm' => round($od + 0.5 * cos(2 * (($k * M_PI) / \count($main['clocks']) - 0.6)) + $wobble(0.08), 1),
                        ],
                        $main['clocks'],
                        array_keys($main['clocks']),
                    ),
                ],
                $t + 2,
            ];
            if ($scriber !== null) {
                $facts[] = ["lengths@{$side}", ['first_mm' => $half + 10, 'second_mm' => 4 * $half + 30], $t + 4];
                $facts[] = ["wipe@{$side}", ['wiped' => true, 'dry' => true], $t + 4];
                $facts[] = ["scribe@{$side}", ['sides' => 4, 'inked' => true], $t + 5];
            }
            $facts[] = [
                "scrape@{$side}",
                ['od_after_mm' => round($od - 0.6, 1), 'marks_gone' => true, 'sharp' => true, 'tool' => 'turning'],
                $t + 6,
            ];
            $facts[] = ["mark@{$side}", ['dressed' => true, 'mark_mm' => $half, 'all_round' => true], $t + 7];
        }
        $assembled = ['bag' => true, 'clamped' => true, 'free' => true, 'marks_at_face' => true];
        $facts[] = ['assemble', $assembled + ($scriber === null ? ['wiped' => true, 'dry' => true] : ['untouched' => true]), 27];
        $facts[] = [
            'gap',
            [
                'readings' => array_map(
                    fn ($clock, $k) => ['clock' => $clock, 'value_mm' => round(0.5 + 0.25 * cos(($k * M_PI) / 2) + $wobble(0.05), 2)],
                    ['12:00', '3:00', '6:00', '9:00'],
                    [0, 1, 2, 3],
                ),
            ],
            29,
        ];
        $ready = ['tight' => true, 'contacts' => true, 'ends_closed' => true, 'supported' => true, 'display' => true];
        $facts[] = ['ready', $ready, 31];
        $plan = round($seconds * (1 + (0.2 * (23 - 13)) / 100));
        $began = $start->modify('+32 minutes');
        $facts[] = [
            'fusion',
            [
                'trace' => (string) Str::uuid(),
                'part' => 0,
                'final' => true,
                'samples' => FusionBox::trace($volts, $ohms, $plan, $fault, $seed),
                'cold_r_ohm' => round($ohms * FusionBox::programme($fault, $seed)['r_ratio'], 4),
                'supply_v' => 229,
                'source' => 'stand-in',
                'started_at' => $began->format('Y-m-d\TH:i:sP'),
                'ended_at' => $began->modify("+{$plan} seconds")->format('Y-m-d\TH:i:sP'),
            ],
            37,
        ];
        if ($coupledAndLooked) {
            $off = $start->modify('+59 minutes');
            $facts[] = ['cooling', ['released_at' => $off->format('Y-m-d\TH:i:sP')], 59];
            $facts[] = [
                'look',
                [
                    'leads_off' => true,
                    'indicators_up' => true,
                    'marks_visible' => true,
                    'marks_moved' => false,
                    'peel_visible' => true,
                    'melt_escape' => false,
                    'wire_exposed' => false,
                    'misaligned' => false,
                    'moved' => false,
                    'wet' => false,
                ],
                61,
            ];
        }

        return array_map(fn ($f) => ['step' => $f[0], 'value' => $f[1], 'at' => $start->modify("+{$f[2]} minutes")], $facts);
    }
}
