<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calendar;
use Diastoma\Core\Refused;

/** A calendar day, YYYY-MM-DD. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Day extends Field
{
    public function read(mixed $value, string $key, string $name, Family $family): \DateTimeImmutable
    {
        if (\is_string($value) && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $value, $m) === 1
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            return Calendar::day($value);
        }
        throw Refused::field($name, "{$key} must be a date such as 2026-05-04, not ".self::shown($value).'.');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'date'];
    }
}
