<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;

/** One component of an uncertainty budget; value, sensitivity and result share the unit of the budget. */
final readonly class UncertaintyPart
{
    public function __construct(
        #[Choice('kind', ['resolution', 'mpe', 'calibration', 'repeat', 'temperature'])] public string $kind,
        #[Number('value', min: 0)] public float $value,
        #[Text('name')] public string $name = '',
        #[Number('k', above: 0)] public float $k = 2.0,
        #[Number('n', min: 1, whole: true)] public ?float $n = null,
        #[Number('sensitivity')] public float $sensitivity = 1.0,
        #[Text('unit')] public string $unit = '',
    ) {
    }

    /** Standard uncertainty (JCGM 100; rectangular = half-width/√3). */
    public function standard(): float
    {
        return abs($this->sensitivity) * match ($this->kind) {
            'resolution' => $this->value / sqrt(12),
            'mpe', 'temperature' => $this->value / sqrt(3),
            'calibration' => $this->value / $this->k,
            default => $this->value / sqrt($this->n ?? 1),
        };
    }
}
