<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** Inside diameters of a pipe before it was bedded in and after, upright and across. */
final readonly class MeasuredPipe
{
    public function __construct(
        #[Text('pipe')] public string $pipe,
        #[Measure('before_vertical_mm', Quantity::Length, above: 0)] public float $beforeUpright,
        #[Measure('vertical_mm', Quantity::Length, above: 0)] public float $upright,
        #[Measure('before_horizontal_mm', Quantity::Length, above: 0)] public ?float $beforeAcross = null,
        #[Measure('horizontal_mm', Quantity::Length, above: 0)] public ?float $across = null,
        #[Text('changed', about: 'what was done otherwise since it was measured before')] public ?string $changed = null,
    ) {
    }

    /** Mean inside diameter before any load, m. */
    public function base(): float
    {
        return $this->beforeAcross === null ? $this->beforeUpright : ($this->beforeUpright + $this->beforeAcross) / 2;
    }
}
