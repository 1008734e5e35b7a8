<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Calculation\Registry;

/** Made-up fittings with codes by the practice layout, to draw, scan and compare. */
final class PracticeLabels
{
    private const LAYOUT = 'T1';

    /** @return list<array<string, mixed>> code and what the label prints beside it; `trap` says what is wrong with it */
    public static function all(): array
    {
        $rows = [
            ['dn_mm' => 63, 'voltage_v' => 39.5, 'ohms' => 3.20, 'time_s' => 45, 'cooling_min' => 6, 'coupling_mm' => 110],
            ['dn_mm' => 110, 'voltage_v' => 39.5, 'ohms' => 1.60, 'time_s' => 150, 'cooling_min' => 12, 'coupling_mm' => 160],
            ['dn_mm' => 160, 'voltage_v' => 39.5, 'ohms' => 1.10, 'time_s' => 200, 'cooling_min' => 16, 'coupling_mm' => 190],
            ['dn_mm' => 225, 'voltage_v' => 39.5, 'ohms' => 0.85, 'time_s' => 240, 'cooling_min' => 20, 'coupling_mm' => 230],
        ];
        $labels = [];
        foreach ($rows as $i => $r) {
            $code = self::encode($r['dn_mm'], $r['voltage_v'], $r['ohms'], 10, $r['time_s'], 2);
            $label = array_diff_key($r, ['ohms' => 1]) + [
                'code' => $code,
                'sdr_min' => 11,
                'sdr_max' => 17,
                'serial' => sprintf('P-%04d', 501 + $i),
                'trap' => null,
            ];
            $labels[] = $label;
        }
        $labels[] = [...$labels[3], 'time_s' => 260, 'serial' => 'P-0590', 'trap' => 'label and code differ'];
        $wrong = (string) $labels[3]['code'];
        $labels[] = [
            ...$labels[3],
            'code' => substr($wrong, 0, 23).((int) $wrong[23] + 3) % 10,
            'serial' => 'P-0591',
            'trap' => 'wrong check digit',
        ];

        return $labels;
    }

    /** By the practice layout. */
    public static function encode(int $dn, float $volts, float $ohms, int $tolerance, int $seconds, int $correction): string
    {
        return Given::text(Registry::standard()->run('fitting-code-encode', [
            'layout' => self::LAYOUT, 'kind' => 1, 'dn_mm' => $dn, 'voltage_v' => $volts, 'resistance_ohm' => $ohms,
            'resistance_tol_pct' => $tolerance, 'time_s' => $seconds, 'correction_pct_per_k' => $correction / 10,
        ]), 'code');
    }
}
