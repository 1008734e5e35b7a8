<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;

/** A density test in its lift, beside or over the pipe. */
final readonly class DensityReading
{
    public function __construct(
        #[Number('lift', min: 1, max: 1000, whole: true)] public float $lift,
        #[Choice('side', ['left', 'right', 'over'])] public string $side,
        #[Measure('wet_density_kg_m3', Quantity::Density, min: 1000, max: 3000)] public float $wet,
        #[Number('moisture_pct', min: 0, max: 60)] public float $moisture,
        #[Text('changed', about: 'what was done otherwise since the test before it there')] public ?string $changed = null,
    ) {
    }

    public function place(): string
    {
        return "lift {$this->lift}, {$this->side}";
    }
}
