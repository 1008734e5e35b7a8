<?php

namespace Database\Demo;

use Diastoma\Core\Electrofusion\FittingCode;
use Diastoma\Core\Simulation\FusionBox;
use Illuminate\Support\Str;

/** The facts of one made-up coupler joint on a 225 SDR 11 main, in order, as a crew would record them. */
final class CouplerJoint
{
    public const VOLTS = 39.5;

    public const OHMS = 0.85;

    public const SECONDS = 240;

    private const COOLING_MIN = 20;

    public static function code(): string
    {
        $digits = '010000'.'225'.'395'.'085'.'2'.'10'.'240'.'0'.'2';

        return $digits.FittingCode::checkDigit($digits);
    }

    /**
     * @param  array{a: string, b: string}  $pipes
     * @param  \DateTimeImmutable  $start  when the first step was recorded
     * @param  string  $fault  of the stand-in box
     * @return list<array{step: string, value: array<string, mixed>, at: \DateTimeImmutable}>
     */
    public static function facts(int $seed, array $pipes, \DateTimeImmutable $start, string $fault = 'none', bool $coupledAndLooked = true): array
    {
        mt_srand($seed);
        $wobble = fn (float $by) => $by * (mt_rand() / mt_getrandmax() * 2 - 1);
        $od = round(225.7 + $wobble(0.15), 1);
        $facts = [
            ['conditions', ['air_c' => round(11 + $wobble(3), 1), 'rh_pct' => round(58 + $wobble(8)), 'pipe_c' => 12.0, 'fitting_c' => 13.0, 'wind_ms' => round(2 + $wobble(1.5), 1), 'shelter' => false, 'rain' => false], 0],
            ['pipes', ['pipe_a' => $pipes['a'], 'pipe_b' => $pipes['b']], 2],
            ['code', ['code' => self::code(), 'serial' => sprintf('C225-%05d', 30100 + $seed)], 3],
            ['label', ['dn_mm' => 225, 'voltage_v' => self::VOLTS, 'time_s' => self::SECONDS, 'cooling_min' => self::COOLING_MIN, 'sdr_min' => 11, 'sdr_max' => 17, 'coupling_mm' => 230], 4],
        ];
        foreach (['a', 'b'] as $i => $side) {
            $t = 6 + 9 * $i;
            $facts[] = ["od@{$side}", ['od_tape_mm' => $od], $t];
            $facts[] = ["ovality@{$side}", ['readings' => array_map(fn ($clock, $k) => ['clock' => $clock, 'value_mm' => round($od + 0.5 * cos(2 * ($k * M_PI / 4 - 0.6)) + $wobble(0.08), 1)], ['12:00', '1:30', '3:00', '4:30'], [0, 1, 2, 3])], $t + 2];
            $facts[] = ["toe@{$side}", ['od_end_mm' => round($od - 0.7 + $wobble(0.2), 1), 'od_back_mm' => $od], $t + 3];
            $facts[] = ["scrape@{$side}", ['od_after_mm' => round($od - 0.6, 1), 'marks_gone' => true], $t + 6];
            $facts[] = ["wipe@{$side}", ['wiped' => true, 'dry' => true], $t + 7];
            $facts[] = ["mark@{$side}", ['mark_mm' => 115, 'all_round' => true], $t + 8];
        }
        $facts[] = ['assemble', ['clamped' => true, 'free' => true, 'marks_at_face' => true], 27];
        $facts[] = ['gap', ['readings' => array_map(fn ($clock, $k) => ['clock' => $clock, 'value_mm' => round(0.5 + 0.25 * cos($k * M_PI / 2) + $wobble(0.05), 2)], ['12:00', '3:00', '6:00', '9:00'], [0, 1, 2, 3])], 29];
        $plan = round(self::SECONDS * (1 + 0.2 * (23 - 13) / 100));
        $began = $start->modify('+32 minutes');
        $facts[] = ['fusion', [
            'trace' => (string) Str::uuid(), 'part' => 0, 'final' => true, 'samples' => FusionBox::trace(self::VOLTS, self::OHMS, $plan, $fault, $seed),
            'cold_r_ohm' => round(self::OHMS * FusionBox::programme($fault, $seed)['r_ratio'], 4), 'supply_v' => 229, 'source' => 'stand-in',
            'started_at' => $began->format('Y-m-d\TH:i:sP'), 'ended_at' => $began->modify("+{$plan} seconds")->format('Y-m-d\TH:i:sP'),
        ], 37];
        if ($coupledAndLooked) {
            $off = $start->modify('+59 minutes');
            $facts[] = ['cooling', ['released_at' => $off->format('Y-m-d\TH:i:sP')], 59];
            $facts[] = ['look', ['indicators_up' => true, 'marks_visible' => true, 'peel_visible' => true, 'melt_escape' => false, 'wire_exposed' => false, 'misaligned' => false, 'moved' => false, 'wet' => false], 61];
        }

        return array_map(fn ($f) => ['step' => $f[0], 'value' => $f[1], 'at' => $start->modify("+{$f[2]} minutes")], $facts);
    }
}
