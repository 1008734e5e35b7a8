<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** A moment: ISO 8601 with its offset or Z. A time without offset names no moment and is refused. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Instant extends Field
{
    public function read(mixed $value, string $key, string $name, Family $family): \DateTimeImmutable
    {
        return self::parse($value, $key, $name);
    }

    public static function parse(mixed $value, string $key, string $name): \DateTimeImmutable
    {
        $shape = '/^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(:(\d\d)(\.\d{1,6})?)?(Z|[+-]\d\d:?\d\d)$/';
        if (is_string($value) && preg_match($shape, $value, $m) === 1
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1]) && $m[4] < 24 && $m[5] < 60 && ($m[7] ?: 0) < 60) {
            return new \DateTimeImmutable($value);
        }
        throw Refused::field($name, "{$key} must be a time with its offset such as 2026-05-04T14:10:00+02:00, not ".self::shown($value).'.');
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }
}
