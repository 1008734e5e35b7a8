<?php

declare(strict_types=1);

namespace Diastoma\Core;

/**
 * A table as a program writes it: a heading, then rows. Cells lie between semicolons, tabs or commas, whichever the heading has; a
 * decimal comma is read where cells do not lie between commas. Lines that begin with # are remarks.
 */
final readonly class HeadedCsv
{
    /**
     * @param  list<string>  $heading  in small letters
     * @param  array<int, list<string>>  $rows  by the number of their line, from 1
     */
    private function __construct(public array $heading, public array $rows, private bool $hasDecimalComma)
    {
    }

    /** @throws Refused naming file */
    public static function of(string $text, int $mostBytes): self
    {
        if (\strlen($text) > $mostBytes || str_contains($text, "\0")) {
            throw Refused::field('file', 'The file is no table of text, or larger than '.round($mostBytes / 1e6, 1).' MB.');
        }
        $text = mb_check_encoding($text, 'UTF-8') ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
        $lines = preg_split('/\R/u', (string) preg_replace('/^\x{FEFF}/u', '', $text)) ?: [];
        $lines = array_filter($lines, fn (string $line): bool => trim($line) !== '' && ! str_starts_with(ltrim($line), '#'));
        if (\count($lines) < 2) {
            throw Refused::field('file', 'The file holds no row: a heading and at least one row are wanted.');
        }
        $first = array_key_first($lines);
        $delimiter = str_contains($lines[$first], ';') ? ';' : (str_contains($lines[$first], "\t") ? "\t" : ',');
        $cells = fn (string $line): array => array_map(
            fn (?string $cell): string => trim((string) $cell),
            str_getcsv($line, $delimiter, '"', ''),
        );
        $heading = array_map(mb_strtolower(...), $cells($lines[$first]));
        unset($lines[$first]);
        $rows = [];
        foreach ($lines as $i => $line) {
            $rows[$i + 1] = $cells($line);
            if (\count($rows[$i + 1]) > \count($heading)) {
                $number = $i + 1;
                throw Refused::field(
                    'file',
                    "Line {$number} has more cells than the heading: with decimal commas, separate the cells by semicolons.",
                );
            }
        }

        return new self($heading, $rows, $delimiter !== ',');
    }

    /** The column whose heading begins so, or null; two of them are one too many. */
    public function column(string $name, string $pattern): ?int
    {
        $found = array_keys(array_filter($this->heading, fn (string $heading): bool => preg_match($pattern, $heading) === 1));
        if (\count($found) > 1) {
            $both = implode(' and ', array_map(fn (int $i): string => "\"{$this->heading[$i]}\"", $found));
            throw Refused::field('file', "The heading has more than one {$name}: {$both}. Leave one.");
        }

        return $found[0] ?? null;
    }

    /** What stands in brackets in a heading: the unit; null: nothing does. */
    public function unit(int $column): ?string
    {
        return preg_match('/[\[(]\s*(.+?)\s*[\])]/u', $this->heading[$column], $in) === 1 ? $in[1] : null;
    }

    /** @throws Refused naming line, column and what stands there */
    public function number(int $line, int $column, string $name): float
    {
        $cell = $this->rows[$line][$column] ?? '';
        $plain = $this->hasDecimalComma && preg_match('/^[+-]?\d+,\d+$/', $cell) === 1 ? str_replace(',', '.', $cell) : $cell;
        if (preg_match('/^[+-]?\d+(\.\d+)?$/', $plain) !== 1) {
            throw Refused::field('file', "Line {$line}: {$name} is no number: \"".mb_substr($cell, 0, 40).'".');
        }

        return (float) $plain;
    }
}
