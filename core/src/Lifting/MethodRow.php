<?php

declare(strict_types=1);

namespace Diastoma\Core\Lifting;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** Up to this size it is done so. */
final readonly class MethodRow
{
    public function __construct(
        #[Number('to_in', above: 0)] public float $to,
        #[Text('method')] public string $method,
        #[Measure('spacing_m', Quantity::Length, above: 0)] public ?float $spacing = null,
    ) {
    }
}
