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

    /**
     * @param  list<array{float, float, float|null, float|null}>  $rows  time in s as the file's clock says, in file order
     * @param  bool  $hasZone  the file says in which zone its clock is; else it is the time of the place
     */
    private function __construct(public array $rows, public int $missing, public int $count, public bool $hasZone)
    {
    }

    /**
     * @param  'DMY'|'MDY'|null  $dateOrder  said by the user when no part of the file tells
     *
     * @throws Refused naming csv, unit, decimal, time or date_order
     */
    public static function read(string $csv, ?string $dateOrder = null): self
    {
        if (\strlen($csv) > self::MOST_BYTES) {
            throw Refused::field('csv', 'csv is larger than 16 MB.');
        }
        if (! mb_check_encoding($csv, 'UTF-8')) {
            $csv = mb_convert_encoding($csv, 'UTF-8', 'Windows-1252');
        }
        if (str_contains($csv, "\0")) {
            throw Refused::field('csv', 'csv is no text file.');
        }
        $lines = [];
        foreach (preg_split('/\r\n|\n|\r/', trim((string) preg_replace('/^\x{FEFF}/u', '', $csv))) ?: [] as $line) {
            if (trim($line) !== '' && $line[0] !== '#') {
                $lines[] = $line;
            }
        }
        if (\count($lines) < 2) {
            throw Refused::field('csv', 'csv holds no reading: a heading and at least one line are wanted.');
        }
        $delimiter = self::delimiter($lines);
        $heading = array_map(fn (?string $cell) => trim((string) $cell), str_getcsv($lines[0], $delimiter, '"', ''));
        $columns = self::columns($heading);
        $pressureUnit =
            self::unit($heading[$columns['pressure']], Quantity::Pressure) ??
            throw Refused::field(
                'unit',
                "unit: the heading \"{$heading[$columns['pressure']]}\" names no pressure unit in brackets, such as [bar], [kPa] or (psi).",
            );

        $count = \count($lines) - 1;
        $times = new LoggerTimes(LoggerTimes::orderTold(self::times($lines, $delimiter, $columns['time'], \count($heading))) ?? $dateOrder);
        $rows = [];
        $hasZone = false;
        $missing = 0;
        for ($i = 1; $i <= $count; $i++) {
            $cells = self::cells($lines[$i], $delimiter);
            $pressure = self::number($cells[$columns['pressure']] ?? '', $delimiter, 'pressure', $i + 1);
            if ($pressure === null) {
                $missing++;

                continue;
            }
            $hasZone = $hasZone || $rows === [] && LoggerTimes::hasZone($cells[$columns['time']] ?? '');
            $rows[] = [
                $times->seconds(trim($cells[$columns['time']] ?? ''), $i + 1),
                $pressureUnit->toSi($pressure) / 1000,
                $columns['temperature'] === null
                    ? null
                    : self::number($cells[$columns['temperature']] ?? '', $delimiter, 'temperature', $i + 1),
                $columns['added'] === null ? null : self::number($cells[$columns['added']] ?? '', $delimiter, 'added', $i + 1),
            ];
        }
        if ($rows === []) {
            throw Refused::field('csv', 'csv holds no pressure reading.');
        }

        return new self($rows, $missing, $count, $hasZone);
    }

    /**
     * @param  non-empty-string  $delimiter
     * @return list<string>
     */
    private static function cells(string $line, string $delimiter): array
    {
        return str_contains($line, '"') ? array_map(strval(...), str_getcsv($line, $delimiter, '"', '')) : explode($delimiter, $line);
    }

    /**
     * The time column, read once before the rows because a late line may tell the order of day and month.
     *
     * @param  list<string>  $lines
     * @param  non-empty-string  $delimiter
     * @return iterable<string>
     */
    private static function times(array $lines, string $delimiter, int $column, int $width): iterable
    {
        for ($i = 1, $n = \count($lines); $i < $n; $i++) {
            $cells = self::cells($lines[$i], $delimiter);
            if ($delimiter === ',' && \count($cells) > $width) {
                throw Refused::field(
                    'decimal',
                    'decimal: lines hold more cells than the heading, '.
                        'so decimal commas stand in a file separated by commas. Export it with semicolons.',
                );
            }
            yield trim($cells[$column] ?? '');
        }
    }

    /**
     * @param  non-empty-list<string>  $lines
     * @return non-empty-string
     */
    private static function delimiter(array $lines): string
    {
        $best = ',';
        $most = 0;
        foreach ([';', "\t", ','] as $candidate) {
            $poorest = min(array_map(fn ($line) => substr_count($line, $candidate), \array_slice($lines, 0, 200)));
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

        return [
            'time' => $time,
            'pressure' => $pressure,
            'temperature' => $find('/temp|^t_?(water|pipe)/iu'),
            'added' => $find('/added|volume|litre|liter|menge|pumped/iu'),
        ];
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
        if ($cell !== '' && strspn($cell, '0123456789.') === \strlen($cell) && is_numeric($cell)) {
            return (float) $cell;
        }
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
