<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\HeadedCsv;
use Diastoma\Core\Procedure\Kind\EntriesFile;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;

/**
 * Levels as a surveyor gives them: CSV with `easting`, `northing` and `invert` (or `level`), or with `chainage`, `invert` and, where
 * it was read, `offset`. A point in coordinates is held against the centre line: where along it lies, and how far off it.
 * Coordinates, chainages and levels are in metres where the heading says no unit; an offset wants its unit, mm and m being as common.
 */
final class SurveyedLevels implements EntriesFile
{
    private const MOST_BYTES = 1_000_000;

    /** More are no levels of a stretch that somebody records in one go. */
    private const MOST_ROWS = 500;

    /** The end of a pipe may stand out over the end of the line so far, m. */
    private const OVER_M = 0.1;

    /** What lies farther off the centre line is no pipe of it, m; the same that a step takes for an offset. */
    private const FAR_M = 5.0;

    private const UNITS = ['m' => 'm', 'mm' => 'mm', 'ft' => 'ft', 'in' => 'in'];

    private const COLUMNS = [
        'chainage' => '/^(chainage|station|ch)\b/',
        'easting' => '/^(easting|east|e|x)\b/',
        'northing' => '/^(northing|north|n|y)\b/',
        'invert' => '/^(invert|level|elevation|height|z)\b/',
        'offset' => '/^(offset|off)\b/',
    ];

    /** Levels of another place of the pipe: read as an invert each would be wrong by a diameter. */
    private const NOT_INVERT = '/\b(crown|soffit|top|obvert|cover|ground)\b/';

    public static function name(): string
    {
        return 'surveyed-levels';
    }

    public static function called(): string
    {
        return "a surveyor's file";
    }

    public static function keys(): array
    {
        return ['at_m', 'level_m', 'off_mm'];
    }

    public static function read(string $text, CentreLine $line): array
    {
        $csv = HeadedCsv::of($text, self::MOST_BYTES);
        if (\count($csv->rows) > self::MOST_ROWS) {
            throw Refused::field('file', 'The file has '.\count($csv->rows).' rows; at most '.self::MOST_ROWS.' are read at once.');
        }
        $at = array_map(fn (string $name): ?int => $csv->column($name, self::COLUMNS[$name]), array_combine(
            array_keys(self::COLUMNS),
            array_keys(self::COLUMNS),
        ));
        self::refuseColumns($csv, $at);
        $isByPlace = $at['easting'] !== null;
        $entries = $leftOut = [];
        foreach (array_keys($csv->rows) as $row) {
            $of = fn (string $name): float => self::metres($csv, $row, (int) $at[$name], $name);
            [$chainage, $off] = $isByPlace
                ? $line->nearest($of('easting'), $of('northing'))
                : [$of('chainage'), $at['offset'] === null ? null : $of('offset')];
            $beyond = $isByPlace ? $line->beyond($of('easting'), $of('northing')) : 0.0;
            if ($beyond > self::OVER_M) {
                $leftOut[] = "Line {$row} lies ".round($beyond, 1).' m beyond the end of the line: it is no place of it.';

                continue;
            }
            if ($off !== null && abs($off) > self::FAR_M) {
                $leftOut[] = "Line {$row} lies ".round(abs($off), 1).' m off the line: it is no place of it.';

                continue;
            }
            $entries[] = ['at_m' => round($chainage, 3), 'level_m' => round($of('invert'), 4)]
                + ($off === null ? [] : ['off_mm' => round(1000 * $off, 1)]);
        }
        usort($entries, fn (array $a, array $b): int => $a['at_m'] <=> $b['at_m']);

        return ['entries' => $entries, 'left_out' => $leftOut];
    }

    /** @param  array<string, int|null>  $at */
    private static function refuseColumns(HeadedCsv $csv, array $at): void
    {
        $found = implode(', ', $csv->heading);
        if ($at['invert'] === null || ($at['easting'] === null || $at['northing'] === null) && $at['chainage'] === null) {
            throw Refused::field(
                'file',
                "The heading wants easting, northing and invert, or chainage, invert and offset [mm]. Found: {$found}.",
            );
        }
        if (preg_match(self::NOT_INVERT, $csv->heading[$at['invert']]) === 1) {
            throw Refused::field('file', "\"{$csv->heading[$at['invert']]}\" is no level of the invert: give that of the invert.");
        }
        if ($at['easting'] === null && $at['offset'] !== null && $csv->unit($at['offset']) === null) {
            throw Refused::field('file', 'offset has no unit: write offset [mm] or offset [m] into the heading.');
        }
        if (($at['easting'] === null) !== ($at['northing'] === null)) {
            throw Refused::field('file', 'easting and northing belong together: the heading has one of them only.');
        }
    }

    private static function metres(HeadedCsv $csv, int $row, int $column, string $name): float
    {
        $unit = $csv->unit($column) ?? 'm';
        $suffix = self::UNITS[$unit] ?? throw Refused::field(
            'file',
            "{$name} is in [{$unit}]; known are ".implode(', ', array_keys(self::UNITS)).'.',
        );

        return Unit::of(Quantity::Length, $suffix)->toSi($csv->number($row, $column, $name));
    }
}
