<?php

declare(strict_types=1);

namespace Diastoma\Core\Thrust;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What pressure does to a bend, an end, a branch or a change of size: on the sealing diameter, at the highest pressure of all. */
#[Calculates(
    'thrust-force',
    'How hard does pressure push here?',
    Family::Gasketed,
    ['thrust_n', 'along_n', 'across_n'],
    'Statics',
)]
final class ThrustForce
{
    /** @return array{thrust_n: float, along_n: float|null, across_n: float|null} the parts are those of a bend */
    public function __invoke(
        #[Choice('type', ['bend', 'dead-end', 'tee', 'reducer', 'valve'])] string $type,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0, max: 1e7, about: 'of the test, or with surge if that is more')]
        float $pressure,
        #[Measure('od_m', Quantity::Length, above: 0, max: 5, about: 'where it seals')] float $od,
        #[Number('angle_deg', above: 0, max: 180)] ?float $angle = null,
        #[Measure('branch_od_m', Quantity::Length, above: 0, max: 5)] ?float $branch = null,
        #[Measure('small_od_m', Quantity::Length, above: 0, max: 5)] ?float $small = null,
    ): array {
        $end = $pressure * M_PI * $od ** 2 / 4;
        if ($type === 'bend') {
            $turn = deg2rad($angle ?? throw Refused::field('angle_deg', 'angle_deg is missing: a bend pushes by its angle.'));

            return ['thrust_n' => 2 * $end * sin($turn / 2), 'along_n' => $end * (1 - cos($turn)), 'across_n' => $end * sin($turn)];
        }
        $thrust = match ($type) {
            'tee' => $pressure * M_PI * Branch::od($branch, $od) ** 2 / 4,
            'reducer' => $end - $pressure * M_PI * Branch::smaller($small, $od) ** 2 / 4,
            default => $end,
        };

        return ['thrust_n' => $thrust, 'along_n' => null, 'across_n' => null];
    }
}
