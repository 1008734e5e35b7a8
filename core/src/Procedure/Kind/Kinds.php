<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

/** The kinds of steps. A new one is a class and a line here, and an entry of the same name in the pages. */
final class Kinds
{
    /** @var list<class-string<Kind>> */
    private const CLASSES = [
        Check::class,
        Choice::class,
        Number::class,
        Round::class,
        Scan::class,
        Trace::class,
        Bolts::class,
        Entries::class,
        Timer::class,
        Hold::class,
        Note::class,
    ];

    /** @return array<string, class-string<Kind>> by name */
    public static function all(): array
    {
        static $all = null;

        return $all ??= array_combine(array_map(fn (string $class) => $class::name(), self::CLASSES), self::CLASSES);
    }
}
