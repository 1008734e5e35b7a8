<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Field;
use Diastoma\Core\Calculation\Field\Number;

/** A percentage; refusals name it without the suffix, as every quantity of the pressure sheet. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Percent extends Field
{
    private Number $number;

    public function __construct(string $key, float $min = 0, float $max = 100, ?float $above = null, string $about = '')
    {
        parent::__construct($key, $about);
        $this->number = new Number($key, $above === null ? $min : null, $max, $above, about: $about);
    }

    public function bare(): string
    {
        return (string) preg_replace('/_percent$/', '', $this->key);
    }

    public function read(mixed $value, string $key, string $name, Family $family): float
    {
        return $this->number->read($value, $key, $name, $family);
    }

    public function schema(): array
    {
        return $this->number->schema();
    }
}
