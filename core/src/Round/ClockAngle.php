<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Text;

/** Clock position to degrees from the top, clockwise looking in the laying direction. */
#[Calculates(
    'clock-angle',
    'Which angle is this clock position?',
    Family::Measuring,
    ['theta_deg'],
    'Convention of the product: 12 at the top, looking in the laying direction',
)]
final class ClockAngle
{
    /** @return array{theta_deg: float} */
    public function __invoke(
        #[Text('clock', 20)] string $clock,
        #[Choice('view', ['forward', 'reverse'])] string $view = 'forward',
    ): array {
        $degrees = Clock::degrees($clock);

        return ['theta_deg' => $view === 'reverse' ? fmod(360 - $degrees, 360) : $degrees];
    }
}
