<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** A stretch of one pipe inside a test section. */
final readonly class Segment
{
    public function __construct(
        #[Measure('length_m', Quantity::Length, above: 0)] public float $length,
        #[Measure('id_mm', Quantity::Length, above: 0)] public float $bore,
        #[Measure('wall_mm', Quantity::Length)] public ?float $wall = null,
        #[Measure('e_mod_gpa', Quantity::Pressure, min: 0.01, max: 1000, about: 'short-term ring modulus')] public ?float $modulus = null,
        #[Number('nu', min: 0, max: 0.5)] public float $nu = 0.3,
        #[Choice('restraint', ['anchored', 'jointed', 'free'])] public string $restraint = 'jointed',
    ) {
        if ($wall !== null && ($wall <= 0 || $wall >= $bore / 2)) {
            throw Refused::field(
                'wall',
                sprintf('wall_mm must be more than 0 and less than half of id_mm (%g mm); it is %g.', Si::mm($bore / 2), Si::mm($wall)),
            );
        }
    }

    /** m³ */
    public function volume(): float
    {
        return M_PI / 4 * $this->bore ** 2 * $this->length;
    }

    /** Swelling of the pipe per pressure, 1/Pa: c1 ID/(e E), thin wall. */
    public function swelling(): float
    {
        return $this->lengthwise() * $this->bore / ($this->stiff('wall') * $this->stiff('e_mod'));
    }

    /** c1: how far the ends are held. */
    public function lengthwise(): float
    {
        return match ($this->restraint) {
            'anchored' => 1 - $this->nu ** 2, 'free' => 1.25 - $this->nu, default => 1.0,
        };
    }

    private function stiff(string $field): float
    {
        return ($field === 'wall' ? $this->wall : $this->modulus)
            ?? throw Refused::field($field, "{$field} is missing: the swelling of the pipe needs it.");
    }
}
