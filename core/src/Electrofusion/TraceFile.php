<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Refused;

/**
 * A fusion trace from a file: CSV with the heading `time [s]`, `voltage [V]`, `current [A]` (and `temperature [C]`),
 * or JSON `{"samples": [[s, V, A], …]}`.
 */
final class TraceFile
{
    /** What a heading is called, and what it may look like. */
    private const COLUMNS = [
        'time [s]' => '/^time.*[\[(]s[\])]/',
        'voltage [v]' => '/^voltage.*[\[(]v[\])]/',
        'current [a]' => '/^current.*[\[(]a[\])]/',
    ];

    /** @return list<list<float>> */
    public static function read(string $text): array
    {
        $text = trim((string) preg_replace('/^\xEF\xBB\xBF/', '', $text));
        $rows = str_starts_with($text, '{') ? self::json($text) : self::csv($text);
        foreach ($rows as $i => $row) {
            if ($i > 0 && $row[0] <= $rows[$i - 1][0]) {
                throw Refused::field('samples', 'samples, row '.($i + 1).": the time must rise; {$row[0]} s follows {$rows[$i - 1][0]} s.");
            }
        }
        if (\count($rows) < 2) {
            throw Refused::field('samples', 'samples: at least two rows are wanted.');
        }

        return $rows;
    }

    /** @return list<list<float>> */
    private static function json(string $text): array
    {
        $decoded = json_decode($text, true, 16);
        $samples = \is_array($decoded) ? $decoded['samples'] ?? null : null;
        if (! \is_array($samples) || ! array_is_list($samples)) {
            throw Refused::field('file', 'The JSON holds no list "samples" of rows [s, V, A].');
        }

        return array_map(function (mixed $row, int $i): array {
            $numbers = \is_array($row) ? array_values(array_filter($row, fn ($v) => \is_int($v) || \is_float($v))) : [];
            if (! \is_array($row) || \count($numbers) !== \count($row) || \count($row) < 3 || \count($row) > 4) {
                throw Refused::field('samples', 'samples, row '.($i + 1).': wanted is [s, V, A].');
            }

            return array_map(floatval(...), $numbers);
        }, $samples, array_keys($samples));
    }

    /** @return list<list<float>> */
    private static function csv(string $text): array
    {
        $lines = array_values(array_filter(preg_split('/\R/', $text) ?: [], fn ($l) => trim($l) !== ''));
        if ($lines === []) {
            throw Refused::field('file', 'The file is empty.');
        }
        $delimiter = str_contains($lines[0], ';') ? ';' : (str_contains($lines[0], "\t") ? "\t" : ',');
        $heading = array_map(fn ($h) => mb_strtolower(trim((string) $h)), str_getcsv($lines[0], $delimiter, '"', ''));
        $columns = [];
        foreach (self::COLUMNS as $name => $pattern) {
            $found = array_keys(array_filter($heading, fn ($h) => preg_match($pattern, $h) === 1));
            $columns[] =
                $found[0] ??
                throw Refused::field(
                    'file',
                    "The heading has no column \"{$name}\"; wanted are time [s], voltage [V], current [A]. Found: ".
                        implode(', ', $heading).
                        '.',
                );
        }
        $rows = [];
        foreach (\array_slice($lines, 1) as $i => $line) {
            $cells = str_getcsv($line, $delimiter, '"', '');
            if ($delimiter === ',' && \count($cells) > \count($heading)) {
                throw Refused::field(
                    'decimal',
                    'decimal: line '.($i + 2).' holds more cells than the heading, '.
                        'so decimal commas stand in a file separated by commas. Export it with semicolons.',
                );
            }
            $row = [];
            foreach ($columns as $column) {
                $cell = trim((string) ($cells[$column] ?? ''));
                $cell = $delimiter === ',' ? $cell : str_replace(',', '.', $cell);
                if (preg_match('/^-?\d+(\.\d+)?$/', $cell) !== 1) {
                    throw Refused::field('samples', 'line '.($i + 2).": {$heading[$column]} \"".mb_substr($cell, 0, 30).'" is no number.');
                }
                $row[] = (float) $cell;
            }
            $rows[] = $row;
        }

        return $rows;
    }
}
