<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** A stretch of sewer of one nominal size. */
final readonly class SewerPipe
{
    public function __construct(
        #[Measure('dn_in', Quantity::Length, above: 0)] public float $dn,
        #[Measure('length_ft', Quantity::Length, above: 0)] public float $length,
    ) {
    }

    /** ft² */
    public function insideFt2(): float
    {
        return M_PI * Si::feet($this->dn) * Si::feet($this->length);
    }

    /** ft³ */
    public function volumeFt3(): float
    {
        return M_PI / 4 * Si::feet($this->dn) ** 2 * Si::feet($this->length);
    }
}
