<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** A thrust block that must cure before a test. */
final readonly class CuringConcrete
{
    public function __construct(
        #[Text('id')] public string $id,
        #[Instant('cast_at')] public \DateTimeImmutable $castAt,
        #[Measure('cure_d', Quantity::Time, min: 0)] public float $cure,
    ) {
    }
}
