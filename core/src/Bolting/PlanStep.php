<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** One bolt in one pass of a plan. */
final readonly class PlanStep
{
    public function __construct(
        #[Number('seq', min: 1, whole: true)] public float $seq,
        #[Number('pass', min: 1, whole: true)] public float $pass,
        #[Number('bolt', min: 1, whole: true)] public float $bolt,
        #[Measure('torque_nm', Quantity::Torque, min: 0)] public float $torque,
        #[Text('pattern')] public ?string $pattern = null,
    ) {
    }

    public function key(): string
    {
        return "{$this->pass}/{$this->bolt}";
    }
}
