<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Calculation\Registry;

/** Made-up fittings with codes by the practice layout, to draw, scan and compare. */
final class PracticeLabels
{
    private const LAYOUT = 'T1';

    /** Digits of the practice layout that tell the kind of fitting. */
    private const KINDS = ['socket' => 1, 'saddle' => 2, 'restraint' => 3];

    /** @return list<array<string, mixed>> code and what the label prints beside it; `trap` says what is wrong with it */
    public static function all(): array
    {
        $rows = [
            ['dn_mm' => 63, 'voltage_v' => 39.5, 'ohms' => 3.20, 'time_s' => 45, 'cooling_min' => 6, 'coupling_mm' => 110],
            ['dn_mm' => 110, 'voltage_v' => 39.5, 'ohms' => 1.60, 'time_s' => 150, 'cooling_min' => 12, 'coupling_mm' => 160],
            ['dn_mm' => 160, 'voltage_v' => 39.5, 'ohms' => 1.10, 'time_s' => 200, 'cooling_min' => 16, 'coupling_mm' => 190],
            ['dn_mm' => 225, 'voltage_v' => 39.5, 'ohms' => 0.85, 'time_s' => 240, 'cooling_min' => 20, 'coupling_mm' => 230],
        ];
        $labels = array_map(
            fn (array $row, int $i) => self::label('socket', $row + ['sdr_min' => 11, 'sdr_max' => 17], 501 + $i),
            $rows,
            array_keys($rows),
        );
        $labels[] = [...$labels[3], 'time_s' => 260, 'serial' => 'P-0590', 'trap' => 'label and code differ'];
        $wrong = Given::text($labels[3], 'code');
        $labels[] = [
            ...$labels[3],
            'code' => substr($wrong, 0, 23).((int) $wrong[23] + 3) % 10,
            'serial' => 'P-0591',
            'trap' => 'wrong check digit',
        ];

        $onPipe = ['dn_mm' => 180, 'voltage_v' => 39.5, 'ohms' => 1.10, 'time_s' => 100, 'cooling_min' => 10];
        $sole = ['saddle_mm' => 120, 'cover_deg' => 150, 'torque_nm' => 10];
        $labels[] = self::label('saddle', $onPipe + ['outlet_mm' => 32, 'tapping_min' => 60] + $sole, 601);
        $labels[] = self::label('restraint', $onPipe + $sole, 602);

        return $labels;
    }

    /**
     * @param  array{dn_mm: int, voltage_v: float, ohms: float, time_s: int}&array<string, int|float>  $printed
     * @return array<string, mixed>
     */
    private static function label(string $kind, array $printed, int $number): array
    {
        $code = self::encode($printed['dn_mm'], $printed['voltage_v'], $printed['ohms'], 10, $printed['time_s'], 2, $kind);

        return array_diff_key($printed, ['ohms' => 1]) + [
            'kind' => $kind,
            'code' => $code,
            'serial' => sprintf('P-%04d', $number),
            'trap' => null,
        ];
    }

    /** By the practice layout. */
    public static function encode(
        int $dn,
        float $volts,
        float $ohms,
        int $tolerance,
        int $seconds,
        int $correction,
        string $kind = 'socket',
    ): string {
        return Given::text(Registry::standard()->run('fitting-code-encode', [
            'layout' => self::LAYOUT, 'kind' => self::KINDS[$kind], 'dn_mm' => $dn, 'voltage_v' => $volts, 'resistance_ohm' => $ohms,
            'resistance_tol_pct' => $tolerance, 'time_s' => $seconds, 'correction_pct_per_k' => $correction / 10,
        ]), 'code');
    }
}
