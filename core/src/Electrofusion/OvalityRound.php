<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Student;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Clamp or not, and where do its jaws press? Ovality of a pipe end from diameters in several directions.
 *
 * The jaws press along the long axis; the split with the screws lies across it.
 */
#[Calculates(
    'ovality-round',
    'Is the pipe end round enough, and where does the re-rounding clamp go?',
    Family::Electrofusion,
    ['ovality_mm', 'ovality_pct', 'd_mean_mm', 'tape_minus_mean_mm', 'd0_mm', 'a2_mm', 'ovality_fit_mm', 'u95_ovality_mm', 'axis_deg', 'u95_axis_deg', 'residual_min_mm', 'flats', 'ovality_judged_mm', 'limit_used_mm', 'verdict', 'long_axis', 'jaws', 'screws', 'reasons'],
    'ISO 11922-1 definition (from memory); least squares with Student t',
)]
final class OvalityRound
{
    private const SAME_DIRECTION_DEG = 0.5;

    private const WORST_CONDITION = 50;

    /**
     * @param  list<DiameterReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('readings', DiameterReading::class, atLeast: 2)] array $readings,
        #[Measure('u_instr_mm', Quantity::Length, above: 0, about: 'standard uncertainty of one reading')] float $u = 0.0001,
        #[Measure('od_tape_mm', Quantity::Length, above: 0)] ?float $tape = null,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limitLength = null,
        #[Number('limit_pct', min: 0)] ?float $limitPercent = null,
        #[Measure('flat_limit_mm', Quantity::Length, above: 0)] ?float $flatLimit = null,
    ): array {
        $values = array_map(fn (DiameterReading $r) => $r->diameter, $readings);
        self::refuseOddOnes($values);
        $spread = max($values) - min($values);
        $mean = array_sum($values) / count($values);
        $fit = $this->fit($readings, $values);
        $shape = $fit === null ? null : $this->shape($fit, $u);

        $limits = array_filter([$limitLength, $limitPercent === null ? null : $limitPercent / 100 * $mean], fn ($l) => $l !== null);
        $limit = $limits === [] ? null : min($limits);
        $judged = max($spread, $shape['ovality'] ?? 0.0);
        [$verdict, $reasons] = $this->judge($spread, $shape, $limit);
        $axis = $shape['axis'] ?? null;

        return [
            'ovality_mm' => Si::mm($spread), 'ovality_pct' => 100 * $spread / $mean, 'd_mean_mm' => Si::mm($mean),
            'tape_minus_mean_mm' => $tape === null ? null : Si::mm($tape - $mean),
            'd0_mm' => $fit === null ? null : Si::mm($fit->mean()),
            'a2_mm' => $fit === null ? null : Si::mm($fit->amplitude(2)),
            'ovality_fit_mm' => $shape === null ? null : Si::mm($shape['ovality']),
            'u95_ovality_mm' => $shape === null ? null : Si::mm($shape['u']),
            'axis_deg' => $axis, 'u95_axis_deg' => $shape['u_axis'] ?? null,
            'residual_min_mm' => $fit === null ? null : Si::mm(min($fit->residuals)),
            'flats' => $this->flats($fit, $readings, $flatLimit),
            'ovality_judged_mm' => Si::mm($judged), 'limit_used_mm' => $limit === null ? null : Si::mm($limit),
            'verdict' => $verdict->value,
            'long_axis' => self::across($axis), 'jaws' => self::across($axis), 'screws' => self::across($axis === null ? null : fmod($axis + 90, 180)),
            'reasons' => $reasons,
        ];
    }

    /** "1:40 and 7:40" */
    private static function across(?float $degrees): ?string
    {
        return $degrees === null ? null : Clock::text($degrees).' and '.Clock::text($degrees + 180);
    }

    /** @param  list<float>  $values */
    private static function refuseOddOnes(array $values): void
    {
        $sorted = $values;
        sort($sorted);
        $n = count($sorted);
        $median = ($sorted[intdiv($n - 1, 2)] + $sorted[intdiv($n, 2)]) / 2;
        foreach ($values as $value) {
            if ($value <= 0 || abs($value - $median) > 0.2 * $median) {
                throw Refused::field('readings', sprintf('readings: %g mm lies more than 20 %% off the others (%g mm): wrong unit or a slip?', Si::mm($value), Si::mm($median)));
            }
        }
    }

    /**
     * @param  list<DiameterReading>  $readings
     * @param  list<float>  $values
     */
    private function fit(array $readings, array $values): ?HarmonicFit
    {
        $distinct = [];
        foreach ($readings as $r) {
            foreach ($distinct as $d) {
                $apart = abs($r->direction - $d);
                if (min($apart, 180 - $apart) <= self::SAME_DIRECTION_DEG) {
                    continue 2;
                }
            }
            $distinct[] = $r->direction;
        }
        $angles = array_map(fn (DiameterReading $r) => deg2rad($r->direction), $readings);
        if (count($distinct) < 3 || HarmonicFit::condition(...$angles) > self::WORST_CONDITION) {
            return null;
        }

        return HarmonicFit::of($angles, $values, [2]);
    }

    /** @return array{ovality: float, u: float, axis: ?float, u_axis: ?float} ovality and u in m, axis in degrees */
    private function shape(HarmonicFit $fit, float $u): array
    {
        [$a, $b] = $fit->pair(2);
        $amplitude = $fit->amplitude(2);
        [$aa, $ab, $bb] = $fit->block(2);
        $s = $fit->s();
        $free = $fit->n() - $fit->p();
        [$sigma, $k] = $s !== null && $s > $u ? [$s, Student::t975($free)] : [$u, 1.96];
        $round = $amplitude < 1e-12;
        [$c, $n] = $round ? [1.0, 0.0] : [$a / $amplitude, $b / $amplitude];
        $along = $sigma ** 2 * ($c * $c * $aa + 2 * $c * $n * $ab + $n * $n * $bb);
        $across = $sigma ** 2 * ($n * $n * $aa - 2 * $n * $c * $ab + $c * $c * $bb);
        $uOvality = 2 * $k * sqrt($along);
        $uAxis = $round ? null : 90 / M_PI * $k * sqrt($across) / $amplitude;
        $shown = ! $round && $amplitude > $uOvality / 2 && $uAxis <= 45;

        return [
            'ovality' => 2 * $amplitude, 'u' => $uOvality,
            'axis' => $shown ? rad2deg($fit->direction(2)) : null, 'u_axis' => $shown ? $uAxis : null,
        ];
    }

    /**
     * @param  array{ovality: float, u: float, axis: ?float, u_axis: ?float}|null  $shape
     * @return array{Verdict, list<string>}
     */
    private function judge(float $spread, ?array $shape, ?float $limit): array
    {
        if ($limit === null) {
            return [Verdict::Open, ['no limit']];
        }
        if (! Compare::atMost($spread, $limit)) {
            return [Verdict::Bad, []];
        }
        if ($shape === null) {
            return [Verdict::Open, ['too few directions: the spread can prove bad, never good']];
        }
        if (! Compare::atMost($shape['ovality'], $limit)) {
            return $shape['u'] > $shape['ovality'] - $limit
                ? [Verdict::Open, ['only the fitted shape passes the limit, by less than its uncertainty: read more directions']]
                : [Verdict::Bad, []];
        }
        $judged = max($spread, $shape['ovality']);

        return $limit - $judged < $shape['u'] - Compare::slack($limit)
            ? [Verdict::Close, ['inside the limit by less than the uncertainty of the measurement']]
            : [Verdict::Good, []];
    }

    /**
     * @param  list<DiameterReading>  $readings
     * @return list<float>|null
     */
    private function flats(?HarmonicFit $fit, array $readings, ?float $limit): ?array
    {
        if ($fit === null || $limit === null || $fit->n() < 6) {
            return null;
        }
        $flats = [];
        foreach ($fit->residuals as $i => $residual) {
            if (Compare::atMost($residual, -$limit)) {
                $flats[] = $readings[$i]->direction;
            }
        }

        return $flats;
    }
}
