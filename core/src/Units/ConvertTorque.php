<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;

#[Calculates(
    'convert-torque',
    'What is this torque in another unit?',
    Family::Mechanical,
    ['value'],
    'Exact by definition; compared with GNU Units 2.22',
)]
final class ConvertTorque
{
    /** @return array{value: float} */
    public function __invoke(
        #[Number('value')] float $value,
        #[Text('from', longest: 20)] string $from,
        #[Text('to', longest: 20)] string $to,
    ): array {
        return ['value' => Conversion::of('torque', $value, $from, $to)];
    }
}
