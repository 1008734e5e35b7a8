<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** A joint that must cool (or rest) before a test. */
final readonly class WaitingJoint
{
    public function __construct(
        #[Text('id')] public string $id,
        #[Instant('finished_at')] public \DateTimeImmutable $finishedAt,
        #[Measure('cooling_min', Quantity::Time, min: 0)] public float $cooling,
        #[Number('factor', above: 0)] public float $factor = 1.0,
    ) {
    }
}
