<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Expression;

/**
 * Between what a figure usually lies. What lies outside is asked about before it is recorded, with the likely figure beside it;
 * it is never refused for that, and never changed by itself.
 */
final readonly class Usual
{
    /**
     * @param  float|null  $min  in the unit of the field
     * @param  float|null  $max  in the unit of the field
     * @param  Expression|null  $near  what is expected, in the unit of the field
     * @param  float  $percent  of it, to either side
     * @param  bool  $whole  it is read in whole units
     * @param  list<array{factor: float, offset: float, why: string, unit: string|null}>  $slips  how such a figure goes wrong
     */
    public function __construct(
        private ?float $min,
        private ?float $max,
        private ?Expression $near,
        private float $percent,
        private bool $whole,
        private array $slips,
    ) {
    }

    /**
     * @return array{
     *     near: float|null, low: float|null, high: float|null, whole: bool,
     *     slips: list<array{factor: float, offset: float, why: string, unit: string|null}>
     * }|null null while nothing says what is usual
     */
    public function known(Known $known): ?array
    {
        $near = $this->near?->of($known);
        $near = \is_int($near) || \is_float($near) ? (float) $near : null;
        [$low, $high] = $near === null
            ? [$this->min, $this->max]
            : [$near * (1 - $this->percent / 100), $near * (1 + $this->percent / 100)];

        return $low === null && $high === null
            ? null
            : ['near' => $near, 'low' => $low, 'high' => $high, 'whole' => $this->whole, 'slips' => $this->slips];
    }
}
