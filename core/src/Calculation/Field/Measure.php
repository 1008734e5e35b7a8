<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * A quantity with a unit. The key carries the unit (`od_mm`); it may come under any other suffix of
 * its kind (`od_in`), exactly one of them. The calculation receives SI (temperatures in °C).
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Measure extends Field
{
    public string $suffix;

    private string $base;

    private Unit $own;

    /** @var array<string, Unit> */
    private array $keys;

    private Number $range;

    /** Limits are in the unit of the key. */
    public function __construct(
        string $key,
        public Quantity $quantity,
        ?float $min = null,
        ?float $max = null,
        ?float $above = null,
        ?float $below = null,
        string $about = '',
    ) {
        parent::__construct($key, $about);
        $suffix = null;
        foreach (array_keys($quantity->units()) as $candidate) {
            if (str_ends_with($key, '_'.$candidate) && \strlen($candidate) > \strlen((string) $suffix)) {
                $suffix = $candidate;
            }
        }
        $this->suffix = $suffix ?? throw new \LogicException("{$key} names no unit of {$quantity->value}");
        $this->base = substr($key, 0, -\strlen($this->suffix) - 1);
        $this->range = new Number($key, $min, $max, $above, $below);
        $this->own = Unit::of($quantity, $this->suffix);
        $keys = [$key => $this->own];
        foreach ($quantity->units() as $suffix => $unit) {
            $keys["{$this->base}_{$suffix}"] ??= $unit;
        }
        $this->keys = $keys;
    }

    public function keys(): array
    {
        return $this->keys;
    }

    public function bare(): string
    {
        return $this->base;
    }

    public function read(mixed $value, string $key, string $name, Family $family): float
    {
        if (! \is_int($value) && ! \is_float($value) || ! is_finite((float) $value)) {
            throw Refused::field($name, "{$key} must be a number, not ".self::shown($value).'.');
        }
        $unit = $this->keys[$key] ?? $this->own;
        $si = $unit->toSi((float) $value);
        $r = $this->range;
        if (! is_finite($si) || ! Number::inside($this->own->fromSi($si), $r->min, $r->max, $r->above, $r->below)) {
            throw Refused::field(
                $name,
                "{$key} is ".self::shown($value)." {$unit->symbol}; allowed is ".$r->allowed($this->own->symbol).'.',
            );
        }

        return $si;
    }

    public function schema(): array
    {
        return [...$this->range->schema(), ...array_filter([
            'x-name' => $this->base,
            'x-quantity' => $this->quantity->value,
            'x-unit' => $this->own->symbol,
            'description' => $this->about ?: null,
        ])];
    }
}
