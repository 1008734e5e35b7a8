<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * What a digital wrench kept: CSV with the heading `bolt`, `torque [N·m]` (or another unit), `time`, and `pass` where it knows it.
 * In whatever order its lines stand, they are the readings in the order of their times.
 */
final class WrenchCsv
{
    private const MOST_BYTES = 1_000_000;

    private const COLUMNS = ['bolt' => '/^bolt\b/', 'torque' => '/^torque\b/', 'time' => '/^(time|date)\b/'];

    private const UNITS = [
        'n·m' => 'nm', 'n.m' => 'nm', 'nm' => 'nm', 'n m' => 'nm', 'ft-lb' => 'ftlb', 'lb-ft' => 'ftlb', 'lbf·ft' => 'ftlb',
        'in-lb' => 'inlb', 'lb-in' => 'inlb', 'lbf·in' => 'inlb', 'kn·m' => 'knm',
    ];

    /**
     * @param  \DateTimeZone  $zone  of the place: where a line tells no offset
     * @return list<array{bolt: int, pass: int, torque_nm: float, time: string}> in the order of their times
     *
     * @throws Refused naming file, unit, bolt, torque, time or pass
     */
    public static function read(string $csv, \DateTimeZone $zone): array
    {
        if (\strlen($csv) > self::MOST_BYTES || str_contains($csv, "\0")) {
            throw Refused::field('file', 'The file is no text of readings, or larger than 1 MB.');
        }
        $text = mb_check_encoding($csv, 'UTF-8') ? $csv : (string) mb_convert_encoding($csv, 'UTF-8', 'Windows-1252');
        $lines = preg_split('/\R/u', trim((string) preg_replace('/^\x{FEFF}/u', '', $text))) ?: [];
        $lines = array_values(array_filter($lines, fn (string $line) => trim($line) !== '' && $line[0] !== '#'));
        if (\count($lines) < 2) {
            throw Refused::field('file', 'The file holds no reading: a heading and at least one line are wanted.');
        }
        $delimiter = str_contains($lines[0], ';') ? ';' : (str_contains($lines[0], "\t") ? "\t" : ',');
        $heading = array_map(fn (?string $h) => mb_strtolower(trim((string) $h)), str_getcsv($lines[0], $delimiter, '"', ''));
        $columns = self::columns($heading);
        $unit = self::unit($heading[$columns['torque']]);
        $rows = [];
        foreach (\array_slice($lines, 1) as $i => $line) {
            $cells = array_map(fn (?string $c) => trim((string) $c), str_getcsv($line, $delimiter, '"', ''));
            $rows[] = self::row($cells, $columns, $unit, $zone, $i + 2);
        }
        usort($rows, fn (array $a, array $b) => [$a['at'], $a['bolt']] <=> [$b['at'], $b['bolt']]);

        return self::numbered($rows);
    }

    /**
     * @param  list<string>  $heading
     * @return array{bolt: int, torque: int, time: int, pass: int|null}
     */
    private static function columns(array $heading): array
    {
        $found = [];
        foreach (self::COLUMNS as $name => $pattern) {
            $found[$name] = array_keys(array_filter($heading, fn (string $h) => preg_match($pattern, $h) === 1))[0]
                ?? throw Refused::field(
                    'file',
                    "The heading has no column \"{$name}\"; wanted are bolt, torque [N·m], time. Found: ".implode(', ', $heading).'.',
                );
        }
        $pass = array_keys(array_filter($heading, fn (string $h) => preg_match('/^(pass|round)\b/', $h) === 1))[0] ?? null;

        return ['bolt' => $found['bolt'], 'torque' => $found['torque'], 'time' => $found['time'], 'pass' => $pass];
    }

    private static function unit(string $heading): Unit
    {
        preg_match('/[\[(]\s*(.+?)\s*[\])]/u', $heading, $in);
        $suffix = self::UNITS[$in[1] ?? ''] ?? throw Refused::field(
            'unit',
            "unit: the heading \"{$heading}\" names no unit of torque in brackets, such as [N·m], [ft-lb] or [in-lb].",
        );

        return Unit::of(Quantity::Torque, $suffix);
    }

    /**
     * @param  array<int, string>  $cells
     * @param  array{bolt: int, torque: int, time: int, pass: int|null}  $columns
     * @return array{bolt: int, pass: int|null, torque_nm: float, at: \DateTimeImmutable}
     */
    private static function row(array $cells, array $columns, Unit $unit, \DateTimeZone $zone, int $line): array
    {
        $torque = str_replace(',', '.', $cells[$columns['torque']] ?? '');
        if (preg_match('/^\d+(\.\d+)?$/D', $torque) !== 1) {
            throw Refused::field('torque', "torque, line {$line}: \"{$torque}\" is no number.");
        }

        return [
            'bolt' => self::count('bolt', $cells[$columns['bolt']] ?? '', $line),
            'pass' => $columns['pass'] === null ? null : self::count('pass', $cells[$columns['pass']] ?? '', $line),
            'torque_nm' => $unit->toSi((float) $torque),
            'at' => self::moment($cells[$columns['time']] ?? '', $zone, $line),
        ];
    }

    private static function count(string $name, string $text, int $line): int
    {
        return preg_match('/^[1-9]\d?$/D', $text) === 1
            ? (int) $text
            : throw Refused::field($name, "{$name}, line {$line}: \"{$text}\" is no number from 1 to 99.");
    }

    private static function moment(string $text, \DateTimeZone $zone, int $line): \DateTimeImmutable
    {
        if (preg_match('/^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(:\d\d)?(Z|[+-]\d\d:?\d\d)?$/D', $text) !== 1) {
            throw Refused::field('time', "time, line {$line}: \"{$text}\" is no time such as 2026-05-04 14:10:00.");
        }
        try {
            return (new \DateTimeImmutable($text, $zone))->setTimezone($zone);
        } catch (\Exception) {
            throw Refused::field('time', "time, line {$line}: \"{$text}\" is no time that there is.");
        }
    }

    /**
     * Where the wrench knows no passes, a bolt's first reading is of the first, its second of the second.
     *
     * @param  list<array{bolt: int, pass: int|null, torque_nm: float, at: \DateTimeImmutable}>  $rows  in the order of their times
     * @return list<array{bolt: int, pass: int, torque_nm: float, time: string}>
     */
    private static function numbered(array $rows): array
    {
        $times = [];
        $out = [];
        foreach ($rows as $row) {
            $times[$row['bolt']] = ($times[$row['bolt']] ?? 0) + 1;
            $out[] = [
                'bolt' => $row['bolt'], 'pass' => $row['pass'] ?? $times[$row['bolt']], 'torque_nm' => $row['torque_nm'],
                'time' => $row['at']->format(Known::TIME),
            ];
        }

        return $out;
    }
}
