<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Leak, air or sound by the slope of a shut polyethylene line on log paper: p = pL (1 + 2.5 t/tL)^-n.
 *
 * A leak makes n grow with time; air makes the first n small; a line that does not fall tells nothing.
 */
#[Calculates(
    'pe-three-point',
    'Leak, air or sound, by the log slope?',
    Family::PressureTest,
    ['n1', 'n2', 'ratio', 'verdict', 'outcome', 'why'],
    'From memory: British water industry guidance for PE mains; limits are the procedure\'s',
    verdicts: ['good', 'bad', 'open'],
    codes: ['why' => ['air', 'n_max', 'ratio_max', 'gain', 'visible_leak'], 'outcome' => ['pass', 'fail', 'repeat', 'cannot-tell']],
)]
final class PeThreePoint
{
    private const LOAD_SHARE = 0.4;

    /**
     * @param  list<list<float>>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('t_load_min', Quantity::Time, above: 0, about: 'start of raise to shut valve')] float $load,
        #[Rows('readings', ['min', 'kPa'], atLeast: 3, about: 'minutes from the shut valve')] array $readings,
        #[Number('n1_min')] ?float $n1Min = null,
        #[Number('n_max')] ?float $nMax = null,
        #[Number('ratio_max', above: 0)] ?float $ratioMax = null,
        #[Anything('min_multiples', 'three multiples of the loading time', 'numbers')] mixed $multiples = [1, 7, 15],
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $multiples = $this->threeNumbers($multiples);
        if (\count($readings) !== 3) {
            throw Refused::field('readings', 'readings: exactly three are wanted, '.\count($readings).' came.');
        }
        $corrected = [];
        foreach ($readings as $i => [$minutes, $pressure]) {
            $least = $multiples[$i] * $load;
            if ($pressure <= 0 || $minutes * 60 < $least * (1 - 1e-9)) {
                throw Refused::field(
                    'readings',
                    sprintf(
                        'readings, row %d: wanted is a positive pressure at %g min or later; given is %g kPa at %g min.',
                        $i + 1,
                        $least / 60,
                        $pressure,
                        $minutes,
                    ),
                );
            }
            $corrected[] = $minutes * 60 + self::LOAD_SHARE * $load;
        }
        $slope = fn (int $a, int $b) => log($readings[$a][1] / $readings[$b][1]) / log($corrected[$b] / $corrected[$a]);
        [$n1, $n2] = [$slope(0, 1), $slope(1, 2)];
        $ratio = $n1 == 0 ? null : $n2 / $n1;
        [$outcome, $why] = $n1Min === null || $nMax === null ? [null, null] : match (true) {
            $n1 < $n1Min * (1 - 1e-9) => [Outcome::Repeat, 'air'],
            max($n1, $n2) > $nMax * (1 + 1e-9) => [Outcome::Fail, 'n_max'],
            $ratioMax !== null && $ratio !== null && $ratio > $ratioMax * (1 + 1e-9) => [Outcome::Fail, 'ratio_max'],
            // A shut line that creeps can neither rise nor stand still: it was warmed or pumped, or the gauge is stuck.
            $n2 <= 0 => [Outcome::CannotTell, 'gain'],
            default => [Outcome::Pass, null],
        };

        return ['n1' => $n1, 'n2' => $n2, 'ratio' => $ratio, ...Outcome::answer($outcome, $visibleLeak, $why)];
    }

    /**
     * @return list<float>
     *
     * @throws Refused
     */
    private function threeNumbers(mixed $multiples): array
    {
        $numbers = \is_array($multiples)
            ? array_filter(array_values($multiples), fn (mixed $m) => (\is_int($m) || \is_float($m)) && $m >= 0 && is_finite((float) $m))
            : [];
        if (\count($numbers) !== 3 || \count((array) $multiples) !== 3) {
            throw Refused::field('min_multiples', 'min_multiples must be three numbers of 0 or more.');
        }

        return array_map(floatval(...), array_values($numbers));
    }
}
