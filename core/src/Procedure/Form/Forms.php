<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

/** The forms that a procedure may use. A new one is a class and a line here. */
final class Forms
{
    /** @var list<class-string<Form>> */
    private const CLASSES = [
        FirstKnown::class, Earliest::class, Most::class, Choose::class, AllTrue::class, SomeTrue::class, KnownOnes::class, Joined::class,
        Pluck::class, Spacing::class, HasCode::class, IsGood::class, IsBad::class, Recorded::class, Repeated::class,
        Traces::class, Begun::class, AnyBad::class, Marked::class,
    ];

    /** Forms of schema 1 that texts frozen by it still use. @var list<class-string<Form>> */
    private const RETIRED = [Rows::class];

    /** @return array<string, class-string<Form>> by name */
    public static function all(): array
    {
        static $all = null;

        return $all ??= self::byName(self::CLASSES);
    }

    /** @return array<string, class-string<Form>> by name: all, and those that only a text frozen earlier may use */
    public static function ever(): array
    {
        static $ever = null;

        return $ever ??= self::byName([...self::CLASSES, ...self::RETIRED]);
    }

    /**
     * @param  list<class-string<Form>>  $classes
     * @return array<string, class-string<Form>>
     */
    private static function byName(array $classes): array
    {
        return array_combine(array_map(fn (string $class) => self::about($class)->name, $classes), $classes);
    }

    /** @param  class-string<Form>  $class */
    public static function about(string $class): About
    {
        static $read = [];

        return $read[$class] ??= (new \ReflectionClass($class))->getAttributes(About::class)[0]->newInstance();
    }
}
