<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calendar;
use Diastoma\Core\Refused;

/**
 * A moment: ISO 8601 with its offset or Z. A time without offset names no moment and is refused; so is an offset that
 * no clock on earth has (beyond 14:00) and a moment outside the years 1 to 9999, in which it can be written.
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Instant extends Field
{
    public function read(mixed $value, string $key, string $name, Family $family): \DateTimeImmutable
    {
        return self::parse($value, $key, $name);
    }

    public static function parse(mixed $value, string $key, string $name): \DateTimeImmutable
    {
        $shape = '/^(\d{4})-(\d\d)-(\d\d)T(\d\d):(\d\d)(?::(\d\d)(?:\.\d{1,6})?)?(?:Z|[+-](\d\d):?(\d\d))$/D';
        if (\is_string($value) && preg_match($shape, $value, $m) === 1
            && checkdate((int) $m[2], (int) $m[3], (int) $m[1]) && $m[4] < 24 && $m[5] < 60 && (int) ($m[6] ?? 0) < 60) {
            if (! self::isOffset((int) ($m[7] ?? 0), (int) ($m[8] ?? 0))) {
                throw Refused::field(
                    $name,
                    "{$key} has an offset that no clock has: ".self::shown($value).'; allowed is -14:00 to +14:00.',
                );
            }
            $moment = Calendar::read($value);

            return Calendar::holds($moment)
                ? $moment
                : throw Refused::field($name, "{$key} leaves the years 1 to 9999: ".self::shown($value).'.');
        }
        throw Refused::field(
            $name,
            "{$key} must be a time with its offset such as 2026-05-04T14:10:00+02:00, not ".self::shown($value).'.',
        );
    }

    private static function isOffset(int $hours, int $minutes): bool
    {
        return $minutes < 60 && ($hours < 14 || $hours === 14 && $minutes === 0);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'format' => 'date-time'];
    }
}
