<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** A lift as it was placed and compacted. */
final readonly class LaidLift
{
    public function __construct(
        #[Number('lift', min: 1, max: 1000, whole: true)] public float $lift,
        #[Measure('thick_mm', Quantity::Length, above: 0, max: 3000)] public float $thick,
        #[Text('with', about: 'what it was compacted with')] public ?string $with = null,
        #[Flag('together')] public ?bool $together = null,
    ) {
    }
}
