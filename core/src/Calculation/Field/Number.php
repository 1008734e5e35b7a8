<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** A plain number: a count, a ratio, a percentage, an index. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Number extends Field
{
    /**
     * @param  float|null  $min  least value allowed
     * @param  float|null  $above  must be greater than this
     * @param  bool  $whole  only whole numbers
     */
    public function __construct(
        string $key,
        public ?float $min = null,
        public ?float $max = null,
        public ?float $above = null,
        public ?float $below = null,
        public bool $whole = false,
        string $about = '',
    ) {
        parent::__construct($key, $about);
    }

    public function read(mixed $value, string $key, string $name, Family $family): float
    {
        if (! \is_int($value) && ! \is_float($value) || ! is_finite((float) $value)) {
            throw Refused::field($name, "{$key} must be a number, not ".self::shown($value).'.');
        }
        $number = (float) $value;
        if ($this->whole && floor($number) !== $number) {
            throw Refused::field($name, "{$key} must be a whole number, not ".self::shown($value).'.');
        }
        if (! self::inside($number, $this->min, $this->max, $this->above, $this->below)) {
            throw Refused::field($name, "{$key} is ".self::shown($value).'; allowed is '.$this->allowed().'.');
        }

        return $number;
    }

    public static function inside(float $v, ?float $min, ?float $max, ?float $above, ?float $below): bool
    {
        return ($min === null || $v >= $min || Compare::atLeast($v, $min)) && ($max === null || $v <= $max || Compare::atMost($v, $max))
            && ($above === null || $v > $above) && ($below === null || $v < $below);
    }

    public function allowed(string $unit = ''): string
    {
        $unit = $unit === '' ? '' : ' '.$unit;
        $low = $this->above !== null ? "more than {$this->above}{$unit}" : ($this->min !== null ? "{$this->min}{$unit} or more" : null);
        $high = $this->below !== null ? "less than {$this->below}{$unit}" : ($this->max !== null ? "{$this->max}{$unit} or less" : null);
        if ($this->min !== null && $this->max !== null) {
            return "{$this->min} to {$this->max}{$unit}";
        }

        return implode(' and ', array_filter([$low, $high])) ?: 'any number';
    }

    public function schema(): array
    {
        return array_filter([
            'type' => $this->whole ? 'integer' : 'number',
            'minimum' => $this->min,
            'maximum' => $this->max,
            'exclusiveMinimum' => $this->above,
            'exclusiveMaximum' => $this->below,
            'description' => $this->about ?: null,
        ], fn ($v) => $v !== null);
    }
}
