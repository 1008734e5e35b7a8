<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/** Bolts of glands and flanges by size, as their standards print them. */
final class BoltTable
{
    private const INCH = 0.0254;

    /**
     * @param  'gland'|'class125'|'pn10'|'pn16'  $table
     * @param  string  $key  by which the size was given
     * @return array{bolts: int, bolt: string, circle_m?: float, source: string}
     *
     * @throws Refused where the table has no such size
     */
    public static function row(string $table, float $size, string $key): array
    {
        /** @var array<string, array{source: string, unit?: 'in'|'mm', rows: array<string, array{0: int, 1: string, 2?: float}>}> $all */
        $all = Data::json('mechanical/bolt-tables.json')['tables'];
        $of = $all[$table];
        $row = $of['rows'][(string) $size]
            ?? throw Refused::field($key, "{$key} is {$size}; {$table} has ".implode(', ', array_keys($of['rows'])).'.');
        $circle = isset($row[2]) ? ['circle_m' => $row[2] * (($of['unit'] ?? 'mm') === 'in' ? self::INCH : 0.001)] : [];

        return ['bolts' => $row[0], 'bolt' => $row[1], 'source' => $of['source']] + $circle;
    }
}
