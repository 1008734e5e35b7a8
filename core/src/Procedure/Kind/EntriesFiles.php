<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Laying\SurveyedLevels;

/** Files that entries can be read out of. A new one is a class and a line here. */
final class EntriesFiles
{
    /** @var list<class-string<EntriesFile>> */
    private const CLASSES = [
        SurveyedLevels::class,
    ];

    /** @return array<string, class-string<EntriesFile>> by name */
    public static function all(): array
    {
        static $all = null;

        return $all ??= array_combine(array_map(fn (string $class) => $class::name(), self::CLASSES), self::CLASSES);
    }
}
