<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * A logger's text file read into rows of [s, kPa, °C|null, litres added|null].
 *
 * Nothing is guessed that decides a verdict: unit, decimal mark and date order come from the file or are refused.
 */
final readonly class LoggerCsv
{
    private const MOST_BYTES = 16_000_000;

    /** @param  list<array{float, float, float|null, float|null}>  $rows  time in s as the file's clock says, in file order */
    private function __construct(public array $rows, public int $missing, public int $count)
    {
    }

    /**
     * @param  'DMY'|'MDY'|null  $dateOrder  said by the user when no part of the file tells
     *
     * @throws Refused naming csv, unit, decimal, time or date_order
     */
    public static function read(string $csv, ?string $dateOrder = null): self
    {
        if (strlen($csv) > self::MOST_BYTES) {
            throw Refused::field('csv', 'csv is larger than 16 MB.');
        }
        if (! mb_check_encoding($csv, 'UTF-8')) {
            $csv = mb_convert_encoding($csv, 'UTF-8', 'Windows-1252');
        }
        if (str_contains($csv, "\0")) {
            throw Refused::field('csv', 'csv is no text file.');
        }
        $lines = preg_split('/\r\n|\n|\r/', trim((string) preg_replace('/^\x{FEFF}/u', '', $csv))) ?: [];
        $lines = array_values(array_filter($lines, fn ($l) => trim($l) !== '' && $l[0] !== '#'));
        if (count($lines) < 2) {
            throw Refused::field('csv', 'csv holds no reading: a heading and at least one line are wanted.');
        }
        $delimiter = self::delimiter($lines);
        $heading = array_map(trim(...), str_getcsv($lines[0], $delimiter, '"', ''));
        $columns = self::columns($heading);
        $pressureUnit = self::unit($heading[$columns['pressure']], Quantity::Pressure)
            ?? throw Refused::field('unit', "unit: the heading \"{$heading[$columns['pressure']]}\" names no pressure unit in brackets, such as [bar], [kPa] or (psi).");

        $cells = array_map(fn ($line) => str_getcsv($line, $delimiter, '"', ''), array_slice($lines, 1));
        if ($delimiter === ',' && array_filter($cells, fn ($row) => count($row) > count($heading)) !== []) {
            throw Refused::field('decimal', 'decimal: lines hold more cells than the heading, so decimal commas stand in a file separated by commas. Export it with semicolons.');
        }
        $times = new LoggerTimes($dateOrder, array_map(fn ($row) => trim((string) ($row[$columns['time']] ?? '')), $cells));
        $rows = [];
        $missing = 0;
        foreach ($cells as $i => $row) {
            $pressure = self::number($row[$columns['pressure']] ?? '', $delimiter, 'pressure', $i + 2);
            if ($pressure === null) {
                $missing++;

                continue;
            }
            $temperature = $columns['temperature'] === null ? null : self::number($row[$columns['temperature']] ?? '', $delimiter, 'temperature', $i + 2);
            $added = $columns['added'] === null ? null : self::number($row[$columns['added']] ?? '', $delimiter, 'added', $i + 2);
            $rows[] = [$times->seconds($i), $pressureUnit->toSi($pressure) / 1000, $temperature, $added];
        }
        if ($rows === []) {
            throw Refused::field('csv', 'csv holds no pressure reading.');
        }

        return new self($rows, $missing, count($cells));
    }

    /** @param  list<string>  $lines */
    private static function delimiter(array $lines): string
    {
        $best = ',';
        $most = 0;
        foreach ([';', "\t", ','] as $candidate) {
            $poorest = min(array_map(fn ($line) => substr_count($line, $candidate), array_slice($lines, 0, 200)));
            if ($poorest > $most) {
                [$best, $most] = [$candidate, $poorest];
            }
        }
        if ($most === 0) {
            throw Refused::field('csv', 'csv has no columns: neither semicolon, tab nor comma stands in every line.');
        }

        return $best;
    }

    /**
     * @param  list<string>  $heading
     * @return array{time: int, pressure: int, temperature: int|null, added: int|null}
     */
    private static function columns(array $heading): array
    {
        $find = function (string $pattern) use ($heading): ?int {
            foreach ($heading as $i => $name) {
                if (preg_match($pattern, $name) === 1) {
                    return $i;
                }
            }

            return null;
        };
        $time = $find('/^(time|date|zeit|datum|stamp|heure|fecha|uhrzeit|t\b|timestamp)/iu') ?? 0;
        $pressure = $find('/press|druck|presi|pression|^p\b|\[(bar|k?m?pa|psi|mbar)\]|\((bar|k?m?pa|psi|mbar)\)/iu');
        if ($pressure === null || $pressure === $time) {
            throw Refused::field('csv', 'csv: no heading names a pressure; headings are '.implode(', ', $heading).'.');
        }

        return ['time' => $time, 'pressure' => $pressure, 'temperature' => $find('/temp|^t_?(water|pipe)/iu'), 'added' => $find('/added|volume|litre|liter|menge|pumped/iu')];
    }

    private static function unit(string $heading, Quantity $quantity): ?Unit
    {
        if (preg_match('/[\[(]\s*([a-z0-9]+)\s*[\])]/iu', $heading, $m) !== 1) {
            return null;
        }
        foreach ($quantity->units() as $unit) {
            if (strcasecmp($unit->symbol, $m[1]) === 0) {
                return $unit;
            }
        }

        return null;
    }

    private static function number(string $cell, string $delimiter, string $what, int $line): ?float
    {
        $cell = trim($cell);
        if ($cell === '' || strcasecmp($cell, 'nan') === 0 || $cell === '-') {
            return null;
        }
        if ($delimiter !== ',' && preg_match('/^[+-]?\d+,\d+$/', $cell) === 1) {
            $cell = str_replace(',', '.', $cell);
        }
        if (preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)$/', $cell) !== 1) {
            throw Refused::field($what, "{$what}, line {$line}: \"".mb_substr($cell, 0, 40).'" is no number.');
        }

        return (float) $cell;
    }
}
