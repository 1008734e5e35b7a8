<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** What to set on the wrench when a crow-foot or an extension makes its lever longer, and what a reading then was at the bolt. */
#[Calculates(
    'wrench-extension',
    'What is set on the wrench with an extension?',
    Family::Mechanical,
    ['set_nm', 'at_bolt_nm'],
    'Geometry of the levers; held at the grip that the lever was measured to',
)]
final class WrenchExtension
{
    /** @return array{set_nm: float, at_bolt_nm: float|null} */
    public function __invoke(
        #[Measure('target_nm', Quantity::Torque, min: 0)] float $target,
        #[Measure('lever_m', Quantity::Length, above: 0, about: 'square drive to grip')] float $lever,
        #[Measure('extension_m', Quantity::Length, min: 0, about: 'square drive to bolt')] float $extension,
        #[Number('angle_deg', min: 0, max: 180, about: '0: in line, 90: square, 180: back towards the hand')] float $angle = 0.0,
        #[Measure('reading_nm', Quantity::Torque, min: 0)] ?float $reading = null,
    ): array {
        $reach = $lever + $extension * cos(deg2rad($angle));
        if ($reach <= 0) {
            throw Refused::field('angle_deg', "angle_deg is {$angle}: the bolt would lie behind the hand.");
        }

        return ['set_nm' => $target * $lever / $reach, 'at_bolt_nm' => $reading === null ? null : $reading * $reach / $lever];
    }
}
