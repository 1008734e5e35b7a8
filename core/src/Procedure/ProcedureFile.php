<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Compile\Lines;
use Diastoma\Core\Refused;

/** The text of a procedure file as somebody wrote it: read, compiled, and each fault named with its line. */
final class ProcedureFile
{
    public const MOST_BYTES = 1_000_000;

    private const DEEPEST = 32;

    /** @throws Refused every fault with path and line */
    public static function read(string $text): Procedure
    {
        if (\strlen($text) > self::MOST_BYTES) {
            throw Refused::field('file', 'The file is larger than '.self::MOST_BYTES / 1e6.' MB: that is no procedure.');
        }
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $text);
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw Refused::field(
                'file',
                'line '.self::lineOfStrangeByte($text).': the file is not in UTF-8; save it anew in that encoding.',
            );
        }
        $decoded = json_decode($text, true, self::DEEPEST);
        $error = json_last_error();
        if ($error === JSON_ERROR_DEPTH) {
            throw Refused::field('file', 'Things stand more than '.self::DEEPEST.' deep in each other: that is no procedure.');
        }
        $lines = Lines::of($text);
        if ($error !== JSON_ERROR_NONE) {
            throw Refused::field(
                'file',
                'line '.
                    ($lines->broken ?? 1).
                    ': here the file stops being JSON; look for a comma, a quotation mark or a bracket on this line or the one before.',
            );
        }
        if (! \is_array($decoded) || $decoded === [] || array_is_list($decoded)) {
            throw Refused::field('file', 'line 1: a procedure is a JSON object, {…}.');
        }
        try {
            /** @var array<string, mixed> $decoded */
            return Procedure::from($decoded);
        } catch (Refused $refused) {
            throw self::byLine($refused, $lines);
        }
    }

    private static function byLine(Refused $refused, Lines $lines): Refused
    {
        $faults = $refused->faults;
        usort($faults, fn (array $a, array $b) => $lines->at($a['field']) <=> $lines->at($b['field']));

        return Refused::together(
            array_map(fn (array $f) => Refused::field($f['field'], "line {$lines->at($f['field'])}: {$f['message']}"), $faults),
        );
    }

    private static function lineOfStrangeByte(string $text): int
    {
        foreach (explode("\n", $text) as $i => $line) {
            if (! mb_check_encoding($line, 'UTF-8')) {
                return $i + 1;
            }
        }

        return 1;
    }
}
