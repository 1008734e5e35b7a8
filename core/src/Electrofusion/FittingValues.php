<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Field\Number;

/** What code and label of a fitting both say. */
final readonly class FittingValues
{
    public function __construct(
        #[Number('dn_mm', above: 0)] public ?float $dn_mm = null,
        #[Number('voltage_v', above: 0, max: 300)] public ?float $voltage_v = null,
        #[Number('time_s', above: 0, max: 36000)] public ?float $time_s = null,
    ) {
    }
}
