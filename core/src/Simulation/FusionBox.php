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
        'over-voltage' => 'the box lets the voltage rise by 5 % for a tenth of the time',
        'interruption' => 'the supply fails for a twentieth of the time',
        'shorted-turns' => 'turns of the winding touch after half of the time',
        'open-winding' => 'the winding is broken: voltage, but no current',
        'wrong-fitting' => 'a fitting of another resistance is connected',
        'pulled-lead' => 'a lead is pulled off after 60 % of the time',
        'early-end' => 'the box stops after 70 % of the time',
        'late-end' => 'the box goes on for a tenth longer',
        'poor-contact' => 'a contact grows warm and takes a part of the voltage',
        'creeping-short' => 'turns glide together slowly',
        'no-power' => 'the box never switches on',
    ];

    /** What a trace of each fault shows first: the event that names it, and the share of the planned time at which it begins. */
    public const SHOWS = [
        'supply-sag' => ['under-voltage', 0.4],
        'over-voltage' => ['over-voltage', 0.3],
        'interruption' => ['supply-lost', 0.3],
        'shorted-turns' => ['turn-short', 0.5],
        'open-winding' => ['open-circuit', 0.0],
        'wrong-fitting' => ['wrong-fitting-suspected', 0.0],
        'pulled-lead' => ['open-circuit', 0.6],
        'early-end' => ['early-end', 0.7],
        'late-end' => ['late-end', 1.1],
        'poor-contact' => ['energy-low', 1.0],
        'creeping-short' => ['energy-high', 1.0],
        'no-power' => ['no-power', 0.0],
    ];

    private const STEPS = 200;

    /** Alloy winding: resistance grows a little while it heats. */
    private const RISE = 0.015;

    /** Noise of the box's voltmeter, of the reading. */
    private const NOISE = 0.0015;

    /**
     * @param  string  $fault  a key of FAULTS
     * @return array{supply_ratio: float, r_ratio: float, samples: list<array{float, float, float}>} [share of time, U ratio, I ratio]
     */
    public static function programme(string $fault = 'none', int $seed = 1): array
    {
        $noise = new Noise($seed);
        $cold = self::cold($fault, $noise);
        $samples = self::played($fault, $cold, 1 / self::STEPS, $noise);

        return ['supply_ratio' => 1 + 0.01 * $noise->uniform(), 'r_ratio' => $cold, 'samples' => $samples];
    }

    /**
     * A programme played for a real fitting.
     *
     * @param  string  $fault  a key of FAULTS
     * @return list<array{float, float, float}> [s, V, A]
     */
    public static function trace(float $volts, float $ohms, float $seconds, string $fault = 'none', int $seed = 1): array
    {
        return self::scaled(self::programme($fault, $seed)['samples'], $volts, $ohms, $seconds);
    }

    /**
     * The same as a box that logs so many samples a second, with a stretch of the log lost.
     *
     * @param  string  $fault  a key of FAULTS
     * @param  array{float, float}|null  $lost  [from, to] in seconds
     * @return array{r_ohm: float, samples: list<array{float, float, float}>} cold resistance by the box, and [s, V, A]
     */
    public static function logged(
        float $volts,
        float $ohms,
        float $seconds,
        string $fault,
        int $seed,
        float $perSecond,
        ?array $lost = null,
    ): array {
        $noise = new Noise($seed);
        $cold = self::cold($fault, $noise);
        $samples = self::scaled(self::played($fault, $cold, 1 / ($perSecond * $seconds), $noise), $volts, $ohms, $seconds);
        if ($lost !== null) {
            $samples = array_values(array_filter($samples, fn (array $s) => $s[0] < $lost[0] || $s[0] > $lost[1]));
        }

        return ['r_ohm' => $cold * $ohms, 'samples' => $samples];
    }

    /** Cold resistance as a share of that of the code. */
    private static function cold(string $fault, Noise $noise): float
    {
        return ($fault === 'wrong-fitting' ? 1.62 : 1.0) * (1 + 0.012 * $noise->uniform());
    }

    /**
     * @param  float  $step  share of the time between two samples
     * @return list<array{float, float, float}>
     */
    private static function played(string $fault, float $cold, float $step, Noise $noise): array
    {
        $end = ['pulled-lead' => 0.6, 'early-end' => 0.7, 'late-end' => 1.1][$fault] ?? 1.0;
        $samples = [];
        for ($i = 0; ($share = $i * $step) < $end - 1e-9; $i++) {
            $samples[] = [$share, ...self::at($fault, $share, $cold, $noise)];
        }
        [$u, $current] = self::at($fault, $end, $cold, $noise);
        $samples[] = [$end, $u, $fault === 'pulled-lead' ? 0.0 : $current];
        $samples[] = [$end + max($step, 0.01), 0.0, 0.0];

        return $samples;
    }

    /** @return array{float, float} U and I at a share of the time */
    private static function at(string $fault, float $share, float $cold, Noise $noise): array
    {
        $u = 1 + self::NOISE * $noise->normal();
        $r = $cold * (1 + self::RISE * (1 - exp(-4 * $share)));
        $within = fn (float $from, float $to): bool => $share >= $from - 1e-9 && $share < $to - 1e-9;
        $grown = fn (float $from, float $to): float => max(0.0, min(1.0, ($share - $from) / ($to - $from)));
        [$u, $r] = match (true) {
            $fault === 'supply-sag' && $within(0.4, 0.5) => [0.9 * $u, $r],
            $fault === 'over-voltage' && $within(0.3, 0.4) => [1.05 * $u, $r],
            $fault === 'shorted-turns' && $share >= 0.5 - 1e-9 => [$u, 0.86 * $r],
            $fault === 'poor-contact' => [$u, $r * (1 + 0.2 * $grown(0.1, 0.6))],
            $fault === 'creeping-short' => [$u, $r * (1 - 0.18 * $grown(0.05, 0.9))],
            default => [$u, $r],
        };
        $off = $fault === 'no-power' || ($fault === 'interruption' && $within(0.3, 0.35));

        return $off ? [0.0, 0.0] : [round($u, 5), $fault === 'open-winding' ? 0.0 : round($u / $r, 5)];
    }

    /**
     * @param  list<array{float, float, float}>  $samples
     * @return list<array{float, float, float}>
     */
    private static function scaled(array $samples, float $volts, float $ohms, float $seconds): array
    {
        return array_map(
            fn (array $s) => [round($s[0] * $seconds, 2), round($s[1] * $volts, 2), round(($s[2] * $volts) / $ohms, 3)],
            $samples,
        );
    }
}
