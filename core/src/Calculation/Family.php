<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

/** The families of calculations, and how each names the field of a refusal. */
enum Family: string
{
    case Measuring = 'measuring';
    case Electrofusion = 'electrofusion';
    case Gasketed = 'gasketed';
    case Mechanical = 'mechanical';
    case PressureTest = 'pressure-test';

    /**
     * @param  string  $key  the key as given or wanted, with its unit
     * @param  string  $bare  the key without its unit
     * @param  string|null  $list  the list that the row stands in
     */
    public function fieldName(string $key, string $bare, ?string $list): string
    {
        return match ($this) {
            self::PressureTest => $bare,
            self::Gasketed => $list === null ? $key : "{$list}.{$key}",
            default => $list ?? $key,
        };
    }
}
