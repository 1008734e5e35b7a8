<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Which gap to leave today, so that the joint neither closes in heat nor pulls out in cold. */
#[Calculates(
    'mechanical-thermal-gap',
    'Which gap is left today, for heat and cold?',
    Family::Mechanical,
    ['open_m', 'shrink_m', 'gap_lay_min_m', 'gap_lay_max_m', 'reasons', 'notes', 'verdict'],
    'Thermal expansion of the pipe wall',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['one-gap-cannot-take-it', 'no-limit:*']],
)]
final class ThermalGap
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Measure('pipe_length_m', Quantity::Length, above: 0, about: 'free length that moves into this gap')] float $length,
        #[Measure('alpha_per_k', Quantity::Expansion, min: 1e-6, max: 3e-4)] float $alpha,
        #[Measure('t_lay_degc', Quantity::Temperature, about: 'of the pipe')] float $lay,
        #[Measure('t_min_degc', Quantity::Temperature)] float $coldest,
        #[Measure('t_max_degc', Quantity::Temperature)] float $hottest,
        #[Measure('gap_min_m', Quantity::Length, min: 0)] ?float $gapLeast = null,
        #[Measure('gap_max_m', Quantity::Length, min: 0)] ?float $gapMost = null,
    ): array {
        if ($coldest > $hottest) {
            throw Refused::field('t_min_degc', "t_min_degc is {$coldest} °C, above t_max_degc, {$hottest} °C.");
        }
        Limits::mustRise($gapLeast, $gapMost, 'gap_max_m');
        $open = $alpha * $length * max(0.0, $hottest - $lay);
        $shrink = $alpha * $length * max(0.0, $lay - $coldest);
        $least = $gapLeast === null ? null : $gapLeast + $open;
        $most = $gapMost === null ? null : $gapMost - $shrink;
        $found = new Findings;
        $least === null && $found->open('no-limit:gap_min_m');
        $most === null && $found->open('no-limit:gap_max_m');
        if ($least !== null && $most !== null && ! Compare::atMost($least, $most)) {
            $found->bad('one-gap-cannot-take-it');
        }

        return ['open_m' => $open, 'shrink_m' => $shrink, 'gap_lay_min_m' => $least, 'gap_lay_max_m' => $most] + $found->toArray();
    }
}
