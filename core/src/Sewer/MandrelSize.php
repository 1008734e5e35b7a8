<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\PressureTest\Percent;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** The gauge that is pulled through a flexible sewer, from the smallest bore that its standard allows for. */
#[Calculates(
    'mandrel-size',
    'How large must the mandrel be?',
    Family::PressureTest,
    ['mandrel_mm', 'mandrel_in'],
    'Smallest inside diameter of the pipe\'s standard less the deflection that is allowed',
)]
final class MandrelSize
{
    /** @return array{mandrel_mm: float, mandrel_in: float} */
    public function __invoke(
        #[Measure('base_id_mm', Quantity::Length, above: 0, about: 'of the pipe\'s standard, not the nominal size')] float $base,
        #[Percent('limit_percent', max: 30, about: 'deflection that is allowed')] float $limit,
    ): array {
        $size = $base * (1 - $limit / 100);

        return ['mandrel_mm' => Si::mm($size), 'mandrel_in' => Si::inches($size)];
    }
}
