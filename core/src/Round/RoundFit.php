<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/**
 * Mean, amplitude and direction of readings taken round a pipe, with honest uncertainty.
 *
 * A direction is given only when it stands out of the noise (Wald test, 95 %). Readings bunched on one side prove
 * nothing good, whatever their values.
 */
#[Calculates(
    'round-fit',
    'What shape and direction do the readings round the pipe show?',
    Family::Measuring,
    [
        'mean',
        'a1',
        'b1',
        'amplitude1',
        'direction1_deg',
        'wald1',
        'inflation1',
        'residuals',
        's',
        'u_mean',
        'curve_max',
        'curve_min',
        'curve_max_deg',
        'curve_min_deg',
        'empty_arc_deg',
        'verdict',
        'uncertain',
        'reasons',
    ],
    'Ordinary least squares; chi-square and F quantiles; NumPy lstsq as reference',
)]
final class RoundFit
{
    public const KINDS = ['diameter', 'radius', 'joint-gap', 'feeler', 'gasket-depth', 'cut-face', 'flange-torque', 'straightedge'];

    /**
     * @param  list<Reading>  $readings
     * @param  list<int>|null  $harmonics
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('readings', Reading::class)] array $readings,
        #[Choice('kind', self::KINDS)] ?string $kind = null,
        #[Numbers('harmonics')] ?array $harmonics = null,
        #[Number('sigma', above: 0, about: 'standard uncertainty of one reading')] ?float $sigma = null,
        #[Number('max_inflation', min: 1)] float $maxInflation = Spread::MOST_INFLATION,
        #[Number('max_empty_arc_deg', above: 0, max: 360, about: 'else 135 for gaps, feelers and gaskets, 180 for what is a plane')]
        ?float $maxEmptyArc = null,
        #[Number('limit_min')] ?float $limitMin = null,
        #[Number('limit_max')] ?float $limitMax = null,
        #[Number('u_expanded', min: 0)] ?float $u = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        $harmonics ??= match ($kind) {
            'diameter' => [2], 'radius' => [1, 2], default => [1],
        };
        self::mustBeHarmonics($harmonics);
        $angles = array_map(fn (Reading $r) => deg2rad($r->degrees), $readings);
        $values = array_map(fn (Reading $r) => $r->value, $readings);
        $fit = HarmonicFit::of($angles, $values, $harmonics) ?? throw self::tooFew($angles, $harmonics);

        $largest = max([0.0, ...array_map(abs(...), $values)]);
        $s = $fit->s();
        $noise = $sigma ?? $s;
        $out = ['mean' => $fit->mean()];
        $reasons = [];
        $verdicts = [];
        foreach ($harmonics as $k) {
            $test = DirectionTest::of($fit, $k, $sigma, $largest);
            [$a, $b] = $fit->pair($k);
            $out += [
                "a{$k}" => $a, "b{$k}" => $b, "amplitude{$k}" => $fit->amplitude($k),
                "direction{$k}_deg" => $test->shown ? rad2deg($fit->direction($k)) : null,
                "wald{$k}" => $test->wald, "inflation{$k}" => $fit->inflation($k),
            ];
            if ($test->reason !== null) {
                $reasons[] = $test->reason;
            }
        }
        $spread = Spread::of($this->turns($readings, $kind), $harmonics[0] ?? 1);
        $worst = max([0.0, ...array_map(fn (int $k) => $fit->inflation($k), $harmonics)]);
        $bunched = $worst > $maxInflation * (1 + 1e-9) || $spread->emptyArc > ($maxEmptyArc ?? $this->mostEmptyArc($kind)) + 1e-9;
        if ($bunched) {
            $reasons[] = 'bunched';
        }
        [$topAt, $top] = $fit->extreme();
        [$bottomAt, $bottom] = $fit->extreme(-1);
        foreach ($values as $value) {
            $guard = Guard::judge($value, $limitMin, $limitMax, $u, $rule);
            $verdicts[] = $this->limit($bunched ? $guard->notGood('bunched') : $guard, $reasons);
        }
        foreach ([[$topAt, $top], [$bottomAt, $bottom]] as [$at, $value]) {
            $curve = Guard::judge($value, $limitMin, $limitMax, $u ?? 0.0, $rule)->verdict;
            if (! $bunched && $curve === Verdict::Bad) {
                $verdicts[] = Verdict::Close;
                $reasons[] = 'only the fitted curve passes the limit: measure again near '.Clock::text(rad2deg($at));
            } elseif (! $bunched && $curve === Verdict::Close) {
                $verdicts[] = Verdict::Close;
                $reasons[] =
                    'the fitted curve is inside the limit by less than the uncertainty: measure again near '.Clock::text(rad2deg($at));
            }
        }
        $uncertain = false;
        foreach ($values as $value) {
            $uncertain = $uncertain || Guard::judge($value, $limitMin, $limitMax, $u, $rule)->uncertain;
        }

        return $out + [
            'residuals' => $fit->residuals, 's' => $s,
            'u_mean' => $noise === null ? null : $noise * sqrt($fit->inverse[0][0]),
            'curve_max' => $top, 'curve_max_deg' => rad2deg($topAt), 'curve_min' => $bottom, 'curve_min_deg' => rad2deg($bottomAt),
            'empty_arc_deg' => $spread->emptyArc,
            'verdict' => Verdict::worst(...$verdicts)->value, 'uncertain' => $uncertain, 'reasons' => array_values(array_unique($reasons)),
        ];
    }

    /**
     * Diameters come back after half a turn: their directions are spread over the whole one.
     *
     * @param  list<Reading>  $readings
     * @return list<float>
     */
    private function turns(array $readings, ?string $kind): array
    {
        return array_map(fn (Reading $r) => $kind === 'diameter' ? 2 * $r->degrees : $r->degrees, $readings);
    }

    private function mostEmptyArc(?string $kind): float
    {
        return match ($kind) {
            'joint-gap', 'feeler', 'gasket-depth' => Spread::ALL_ROUND_DEG, default => Spread::PLANE_DEG,
        };
    }

    /** @param  list<string>  $reasons */
    private function limit(Guard $guard, array &$reasons): Verdict
    {
        array_push($reasons, ...$guard->reasons);

        return $guard->verdict;
    }

    /**
     * @param  list<int>  $harmonics
     *
     * @throws Refused
     */
    public static function mustBeHarmonics(array $harmonics): void
    {
        if ($harmonics === []) {
            throw Refused::field('harmonics', 'harmonics is empty; allowed are whole numbers 1 to 6, each once.');
        }
        foreach ($harmonics as $k) {
            if ($k < 1 || $k > 6 || \count(array_keys($harmonics, $k, true)) > 1) {
                throw Refused::field('harmonics', "harmonics holds {$k}; allowed are whole numbers 1 to 6, each once.");
            }
        }
    }

    /**
     * @param  list<float>  $angles
     * @param  list<int>  $harmonics
     */
    public static function tooFew(array $angles, array $harmonics, string $field = 'readings'): Refused
    {
        $distinct = \count(array_unique(array_map(fn ($a) => round($a, 9), $angles)));
        $need = 1 + 2 * \count($harmonics);

        $most = max([0, ...$harmonics]);

        return Refused::field($field, "k={$most} needs {$need} different positions spread round the pipe, got {$distinct}.");
    }
}
