<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * A logger's text file read into columns: seconds, kPa, °C and litres added where it has them.
 *
 * Nothing is guessed that decides a verdict: unit, decimal mark and date order come from the file or are refused.
 */
final readonly class LoggerCsv
{
    /** A week of seconds, with a temperature. */
    private const MOST_BYTES = 24_000_000;

    /** Lines that tell how the columns are divided. */
    private const LOOKED_AT = 200;

    /**
     * @param  LogColumns  $columns  time in s as the file's clock says, in file order
     * @param  bool  $hasZone  the file says in which zone its clock is; else it is the time of the place
     */
    private function __construct(public LogColumns $columns, public int $missing, public int $count, public bool $hasZone)
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
            throw Refused::field('csv', 'csv is larger than 24 MB.');
        }
        if (! mb_check_encoding($csv, 'UTF-8')) {
            $csv = mb_convert_encoding($csv, 'UTF-8', 'Windows-1252');
        }
        if (str_contains($csv, "\0")) {
            throw Refused::field('csv', 'csv is no text file.');
        }
        $first = [];
        foreach (self::lines($csv) as $line) {
            $first[] = $line;
            if (\count($first) > self::LOOKED_AT) {
                break;
            }
        }
        if (\count($first) < 2) {
            throw Refused::field('csv', 'csv holds no reading: a heading and at least one line are wanted.');
        }
        $delimiter = self::delimiter($first);
        $heading = array_map(fn (?string $cell) => trim((string) $cell), str_getcsv($first[0], $delimiter, '"', ''));
        $columns = self::columns($heading);
        $pressureUnit =
            self::unit($heading[$columns['pressure']], Quantity::Pressure) ??
            throw Refused::field(
                'unit',
                "unit: the heading \"{$heading[$columns['pressure']]}\" names no pressure unit in brackets, such as [bar], [kPa] or (psi).",
            );
        $clock = new LoggerTimes(LoggerTimes::orderTold(self::times($csv, $delimiter, $columns['time'], \count($heading))) ?? $dateOrder);

        $times = $pressures = $temperatures = $litres = [];
        $hasZone = false;
        $missing = $count = 0;
        foreach (self::lines($csv) as $i => $line) {
            if ($i === 0) {
                continue;
            }
            $count++;
            $cells = self::cells($line, $delimiter);
            $pressure = self::number($cells[$columns['pressure']] ?? '', $delimiter, 'pressure', $i + 1);
            if ($pressure === null) {
                $missing++;

                continue;
            }
            $hasZone = $hasZone || $times === [] && LoggerTimes::hasZone($cells[$columns['time']] ?? '');
            $times[] = $clock->seconds(trim($cells[$columns['time']] ?? ''), $i + 1);
            $pressures[] = $pressureUnit->toSi($pressure) / 1000;
            if ($columns['temperature'] !== null) {
                $temperatures[] = self::number($cells[$columns['temperature']] ?? '', $delimiter, 'temperature', $i + 1);
            }
            if ($columns['added'] !== null) {
                $litres[] = self::number($cells[$columns['added']] ?? '', $delimiter, 'added', $i + 1);
            }
        }
        if ($times === []) {
            throw Refused::field('csv', 'csv holds no pressure reading.');
        }
        $read = new LogColumns(
            $times,
            $pressures,
            $columns['temperature'] === null ? null : $temperatures,
            $columns['added'] === null ? null : $litres,
        );

        return new self($read, $missing, $count, $hasZone);
    }

    /**
     * The lines that say something, one after the other: a long file is never cut up as a whole.
     *
     * @return \Generator<int, string>
     */
    private static function lines(string $csv): \Generator
    {
        $at = str_starts_with($csv, "\u{FEFF}") ? 3 : 0;
        $end = \strlen($csv);
        $count = 0;
        while ($at < $end) {
            $long = strcspn($csv, "\r\n", $at);
            $line = substr($csv, $at, $long);
            $at += $long + 1;
            if ($line !== '' && $line[0] !== '#' && trim($line) !== '') {
                yield $count++ => $line;
            }
        }
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
     * @param  non-empty-string  $delimiter
     * @return iterable<string>
     */
    private static function times(string $csv, string $delimiter, int $column, int $width): iterable
    {
        foreach (self::lines($csv) as $i => $line) {
            if ($i === 0) {
                continue;
            }
            $cells = self::cells($line, $delimiter);
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
            $poorest = min(array_map(fn ($line) => substr_count($line, $candidate), $lines));
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
