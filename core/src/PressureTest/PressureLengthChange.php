<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** How far the free stretch of a line moves under its test pressure (minus: shorter), and when its riser is tied in. */
#[Calculates(
    'pressure-length-change',
    'How much shorter does the test make it?',
    Family::PressureTest,
    ['change_mm', 'decision'],
    'Thin-wall mechanics; coefficient of the pipe\'s own data; decision: common practice',
    codes: ['decision' => ['riser-first', 'temporary-anchor', 'riser-after']],
)]
final class PressureLengthChange
{
    /** @return array{change_mm: float, decision: string|null} */
    public function __invoke(
        #[Choice('method', ['composite-coefficient', 'slip-joint', 'capped-free'])] string $method,
        #[Measure('length_m', Quantity::Length, above: 0, about: 'the stretch that is free to move')] float $length,
        #[Measure('p_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('rated_bar', Quantity::Pressure, above: 0)] ?float $rated = null,
        #[Number('percent_per_100', min: 0, max: 50, about: 'percent shorter for each 100 % over the rating')] ?float $coefficient = null,
        #[Measure('od_mm', Quantity::Length, above: 0)] ?float $od = null,
        #[Measure('wall_mm', Quantity::Length, above: 0)] ?float $wall = null,
        #[Measure('e_mod_gpa', Quantity::Pressure, min: 0.01, max: 1000)] ?float $modulus = null,
        #[Number('nu', min: 0, max: 0.5)] ?float $nu = null,
        #[Measure('allowed_mm', Quantity::Length, min: 0, about: 'what riser and connectors bear')] ?float $allowed = null,
        #[Flag('anchor_pile', about: 'a pile holds the end through the test')] bool $pile = false,
    ): array {
        $strain = $method === 'composite-coefficient'
            ? -self::wanted('percent_per_100', $coefficient) / 100 * max(0.0, $pressure / self::wanted('rated', $rated) - 1)
            : $this->elastic($method, $pressure, self::wanted('od', $od), self::wanted('wall', $wall), $modulus, $nu);
        $change = $strain * $length;

        return [
            'change_mm' => Si::mm($change),
            'decision' => match (true) {
                $allowed === null => null,
                Compare::atMost(abs($change), $allowed) => 'riser-first',
                $pile => 'temporary-anchor',
                default => 'riser-after',
            },
        ];
    }

    /** Strain along the pipe: it swells and so draws in where its joints slide; closed ends stretch it too. */
    private function elastic(string $method, float $pressure, float $od, float $wall, ?float $modulus, ?float $nu): float
    {
        if ($wall >= $od / 2) {
            throw Refused::field('wall', sprintf('wall_mm %g must be less than half of od_mm %g.', Si::mm($wall), Si::mm($od)));
        }
        $nu = self::wanted('nu', $nu);
        $hoop = $pressure * ($od - $wall) / (2 * $wall * self::wanted('e_mod', $modulus));

        return ($method === 'slip-joint' ? -$nu : 0.5 - $nu) * $hoop;
    }

    private static function wanted(string $field, ?float $value): float
    {
        return $value ?? throw Refused::field($field, "{$field} is missing: this method needs it.");
    }
}
