<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Verdict;

/** One reading to be taken again. Flags, never drops. */
#[Calculates(
    'round-outlier',
    'Which reading should be taken again?',
    Family::Measuring,
    ['flagged', 'method', 'statistic', 'threshold', 'verdict', 'reasons'],
    'Standardised and externally studentised residuals; NumPy and SciPy as reference',
    verdicts: ['good', 'open'],
)]
final class RoundOutlier
{
    /**
     * @param  list<Reading>  $readings
     * @param  list<int>  $harmonics
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('readings', Reading::class)] array $readings,
        #[Numbers('harmonics')] array $harmonics = [1],
        #[Number('sigma', above: 0)] ?float $sigma = null,
        #[Number('k', above: 0)] float $k = 3.0,
        #[Number('max_flags', min: 0, whole: true)] float $maxFlags = 1.0,
    ): array {
        RoundFit::mustBeHarmonics($harmonics);
        $flagged = [];
        $left = $readings;
        $first = null;
        $reasons = [];
        $open = false;
        while (true) {
            $angles = array_map(fn (Reading $r) => deg2rad($r->degrees), $left);
            $fit = HarmonicFit::of($angles, array_map(fn (Reading $r) => $r->value, $left), $harmonics);
            if ($fit === null) {
                if ($first === null) {
                    throw RoundFit::tooFew($angles, $harmonics);
                }
                break;
            }
            $found = $this->suspect($fit, $left, $sigma, $k);
            $first ??= $found;
            $open = $open || $found['blind'];
            if (! $found['over']) {
                break;
            }
            if ($sigma !== null && $fit->n() === $fit->p() + 1) {
                $open = true;
                $reasons[] = 'one reading is wrong, not to be told which: take the round again';
                break;
            }
            if (\count($flagged) >= $maxFlags || $fit->n() - 1 < $fit->p() + 1) {
                break;
            }
            $flagged[] = $left[$found['at']]->degrees;
            array_splice($left, $found['at'], 1);
        }
        if ($open) {
            $reasons[] = 'some reading cannot be checked by the others';
        }

        return [
            'flagged' => $flagged, 'method' => $first['method'], 'statistic' => $first['statistic'], 'threshold' => $first['threshold'],
            'verdict' => ($flagged !== [] || $open ? Verdict::Open : Verdict::Good)->value, 'reasons' => $reasons,
        ];
    }

    /**
     * @param  list<Reading>  $readings
     * @return array{method: string, statistic: ?float, threshold: ?float, over: bool, at: int, blind: bool}
     */
    private function suspect(HarmonicFit $fit, array $readings, ?float $sigma, float $k): array
    {
        $n = $fit->n();
        $p = $fit->p();
        $none = ['method' => 'none', 'statistic' => null, 'threshold' => null, 'over' => false, 'at' => 0, 'blind' => true];
        if ($n === $p || ($sigma === null && $n < $p + 2)) {
            return $none;
        }
        $s = (float) $fit->s();
        $largest = max([0.0, ...array_map(fn (Reading $r) => abs($r->value), $readings)]);
        $method = $sigma !== null ? 'known-sigma' : 'deleted';
        $threshold = $sigma !== null ? $k : Student::quantile(1 - 0.05 / (2 * $n), $n - $p - 1);
        $best = ['method' => $method, 'statistic' => 0.0, 'threshold' => $threshold, 'over' => false, 'at' => 0, 'blind' => false];
        if ($sigma === null && $s < 1e-9 * $largest) {
            return $best;
        }
        $top = -1.0;
        foreach ($fit->residuals as $i => $residual) {
            $free = 1 - $fit->leverage($i);
            if ($free < 1e-9) {
                $best['blind'] = true;

                continue;
            }
            $r = abs($residual) / (($sigma ?? $s) * sqrt($free));
            $rest = $n - $p - $r * $r;
            $t = $sigma !== null ? $r : ($rest <= 1e-9 ? INF : $r * sqrt(($n - $p - 1) / $rest));
            if ($t > $top) {
                $top = $t;
                $best = [...$best, 'statistic' => is_infinite($t) ? null : $t, 'over' => $t > $threshold, 'at' => $i];
            }
        }

        return $best;
    }
}
