<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;

/** One line of an order, and what came of it. Pieces, or metres of a coil: both counts in the same. */
final readonly class DeliveredItem
{
    public function __construct(
        #[Text('what', longest: 500, about: 'size, class and kind, as it was ordered')] public string $what,
        #[Number('ordered', min: 0, max: 1e6)] public float $ordered,
        #[Number('came', min: 0, max: 1e6)] public float $came,
        #[Flag('right', about: 'size, class, marking and stamp are those of the order')] public ?bool $right = null,
        #[Text('batch', longest: 500)] public ?string $batch = null,
    ) {
    }
}
