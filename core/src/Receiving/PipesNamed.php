<?php

declare(strict_types=1);

namespace Diastoma\Core\Receiving;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** Pipes of one length by their numbers: one, or from the first to the last. */
final readonly class PipesNamed
{
    public function __construct(
        #[Text('first', longest: 60, about: 'number, as it is painted on the pipe')] public string $first,
        #[Text('last', longest: 60, about: 'left out: there is one')] public ?string $last = null,
        #[Measure('length_m', Quantity::Length, above: 0, max: 1000)] public ?float $length = null,
        #[Text('serial', longest: 200, about: 'serial of the pipe, or lot of all of them')] public ?string $serial = null,
    ) {
    }
}
