<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** A straight or an arc of a line in plan, tangent to the one before it. */
final readonly class LineElement
{
    public function __construct(
        #[Choice('type', ['straight', 'arc'])] public string $type,
        #[Measure('length_m', Quantity::Length, above: 0, max: 1e6)] public float $length,
        #[Measure('radius_m', Quantity::Length, min: 5, max: 1e6)] public ?float $radius = null,
        #[Choice('turn', ['left', 'right'])] public ?string $turn = null,
    ) {
        if ($type === 'arc' && $radius === null) {
            throw Refused::field('elements.radius_m', 'radius_m is missing: an arc has one.');
        }
        if ($type === 'arc' && $turn === null) {
            throw Refused::field('elements.turn', 'turn is missing: an arc goes left or right.');
        }
        if ($type === 'straight' && $radius !== null) {
            throw Refused::field('elements.radius_m', 'radius_m is given: a straight has none.');
        }
    }

    /** 1/m, plus to the right. */
    public function curvature(): float
    {
        return $this->radius === null ? 0.0 : ($this->turn === 'right' ? 1 : -1) / $this->radius;
    }
}
