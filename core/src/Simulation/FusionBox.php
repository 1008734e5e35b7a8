<?php

declare(strict_types=1);

namespace Diastoma\Core\Simulation;

/**
 * Stand-in for a fusion box. Plays a fusion as a real one would log it, healthy or with one fault.
 *
 * A programme is for a fitting of 1 V, 1 Ω and 1 s, so that a device without network can scale it to any label.
 */
final class FusionBox
{
    public const FAULTS = [
        'none' => 'healthy fusion',
        'supply-sag' => 'the generator sags to 90 % for a tenth of the time',
        'interruption' => 'the supply fails for a twentieth of the time',
        'shorted-turns' => 'turns of the winding touch after half of the time',
        'wrong-fitting' => 'a fitting of another resistance is connected',
        'pulled-lead' => 'a lead is pulled off after 60 % of the time',
    ];

    private const STEPS = 200;

    /** Alloy winding: resistance grows a little while it heats. */
    private const RISE = 0.015;

    /**
     * @param  key-of<self::FAULTS>  $fault
     * @return array{supply_ratio: float, r_ratio: float, samples: list<array{float, float, float}>} [share of time, U ratio, I ratio]
     */
    public static function programme(string $fault = 'none', int $seed = 1): array
    {
        $noise = new Noise($seed);
        $cold = ($fault === 'wrong-fitting' ? 1.62 : 1.0) * (1 + 0.012 * $noise->uniform());
        $samples = [];
        for ($i = 0; $i <= self::STEPS; $i++) {
            $share = $i / self::STEPS;
            $u = 1 + 0.0015 * $noise->normal();
            $r = $cold * (1 + self::RISE * (1 - exp(-4 * $share)));
            if ($fault === 'supply-sag' && $share >= 0.4 && $share < 0.5) {
                $u *= 0.9;
            }
            if ($fault === 'shorted-turns' && $share >= 0.5) {
                $r *= 0.86;
            }
            $current = $u / $r;
            if ($fault === 'interruption' && $share >= 0.3 && $share < 0.35) {
                $u = $current = 0.0;
            }
            if ($fault === 'pulled-lead' && $share >= 0.6) {
                $samples[] = [$share, round($u, 5), 0.0];
                $samples[] = [$share + 0.01, 0.0, 0.0];
                break;
            }
            $samples[] = [$share, round($u, 5), round($current, 5)];
        }
        if ($fault !== 'pulled-lead') {
            $samples[] = [1.01, 0.0, 0.0];
        }

        return ['supply_ratio' => 1 + 0.01 * $noise->uniform(), 'r_ratio' => $cold, 'samples' => $samples];
    }

    /**
     * A programme played for a real fitting.
     *
     * @param  key-of<self::FAULTS>  $fault
     * @return list<array{float, float, float}> [s, V, A]
     */
    public static function trace(float $volts, float $ohms, float $seconds, string $fault = 'none', int $seed = 1): array
    {
        return array_map(
            fn (array $s) => [round($s[0] * $seconds, 2), round($s[1] * $volts, 2), round($s[2] * $volts / $ohms, 3)],
            self::programme($fault, $seed)['samples'],
        );
    }
}
