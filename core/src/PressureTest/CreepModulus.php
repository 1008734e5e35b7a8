<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Units\Quantity;

/** Stiffness of polyethylene after some time under load: E(t) = E_ref (t / t_ref)^-m. */
#[Calculates(
    'creep-modulus',
    'How stiff is the polyethylene by then?',
    Family::PressureTest,
    ['e_mpa', 'compliance_1_gpa'],
    'Power law of creep; m 0.08 to 0.10 without soil from memory',
)]
final class CreepModulus
{
    /** @return array{e_mpa: float, compliance_1_gpa: float} */
    public function __invoke(
        #[Measure('e_ref_mpa', Quantity::Pressure, min: 10, max: 1000000)] float $reference,
        #[Measure('t_ref_min', Quantity::Time, above: 0)] float $at,
        #[Number('m', min: 0, max: 0.5)] float $m,
        #[Measure('t_min', Quantity::Time, above: 0)] float $time,
    ): array {
        $modulus = $reference * ($time / $at) ** -$m;

        return ['e_mpa' => $modulus / 1e6, 'compliance_1_gpa' => 1e9 / $modulus];
    }
}
