<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** True or false. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Flag extends Field
{
    public function read(mixed $value, string $key, string $name, Family $family): bool
    {
        if (! \is_bool($value)) {
            throw Refused::field($name, "{$key} must be true or false, not ".self::shown($value).'.');
        }

        return $value;
    }

    public function schema(): array
    {
        return ['type' => 'boolean'];
    }
}
