<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;

#[Calculates(
    'convert-pressure',
    'What is this pressure in another unit?',
    Family::Mechanical,
    ['value'],
    'Exact by definition; compared with GNU Units 2.22',
)]
final class ConvertPressure
{
    /** @return array{value: float} */
    public function __invoke(
        #[Number('value')] float $value,
        #[Text('from', longest: 20)] string $from,
        #[Text('to', longest: 20)] string $to,
    ): array {
        return ['value' => Conversion::of('pressure', $value, $from, $to)];
    }
}
