<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Laying\CentreLine;
use Diastoma\Core\Refused;

/** A file out of which the entries of a list are read, in place of typing them. */
interface EntriesFile
{
    /** As a step names it in `reads`. */
    public static function name(): string;

    /** What the button calls it: "a surveyor's file". */
    public static function called(): string;

    /** @return list<string> keys of an entry that it gives */
    public static function keys(): array;

    /**
     * @return array{entries: list<array<string, float>>, left_out: list<string>} left_out: rows that are none of this line, in words
     *
     * @throws Refused naming file, and the line of it
     */
    public static function read(string $text, CentreLine $line): array;
}
