<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe\Family;

use Diastoma\Core\Data;

/**
 * The pipes of the trade by family, in the order of their table.
 *
 * @phpstan-type Row array{
 *     size: string, od: float, bands?: array<string, array{float, float}>, also?: string, label_of?: string
 * }
 */
final class PipeFamilies
{
    public const UNKNOWN = 'unknown';

    public const MATERIALS = ['iron', 'steel', 'pvc', 'pe', self::UNKNOWN];

    private const INCH = 0.0254;

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::all());
    }

    /** @return list<string> families that a pipe of this material may be of */
    public static function of(string $material): array
    {
        /** @var array<string, list<string>> $materials */
        $materials = Data::json('pipe/families.json')['materials'];

        return $materials[$material] ?? self::names();
    }

    /**
     * @param  bool  $labels  rows too that are only another label of one in another family
     * @return list<PipeRow>
     */
    public static function rows(string $family, string $material, bool $labels): array
    {
        $of = self::all()[$family];
        $unit = $of['unit'] === 'in' ? self::INCH : 0.001;
        $rows = [];
        foreach ($of['rows'] as $row) {
            if (isset($row['label_of']) && ! $labels) {
                continue;
            }
            [$less, $more] = self::band($row['bands'] ?? [], $material);
            $rows[] = new PipeRow(
                $family,
                $row['size'],
                str_replace('{size}', $row['size'], $of['called']),
                $row['od'] * $unit,
                ($row['od'] + $less) * $unit,
                ($row['od'] + $more) * $unit,
                $of['source'],
                $row['also'] ?? null,
            );
        }

        return $rows;
    }

    /**
     * That of the material; where it is not known, the widest.
     *
     * @param  array<string, array{float, float}>  $bands  by material, from the diameter
     * @return array{float, float}
     */
    private static function band(array $bands, string $material): array
    {
        return $material === self::UNKNOWN && $bands !== []
            ? [min(array_column($bands, 0)), max(array_column($bands, 1))]
            : $bands[$material] ?? [0.0, 0.0];
    }

    /** @return array<string, array{called: string, unit: 'in'|'mm', source: string, rows: list<Row>}> */
    private static function all(): array
    {
        /** @var array<string, array{called: string, unit: 'in'|'mm', source: string, rows: list<Row>}> $families */
        $families = Data::json('pipe/families.json')['families'];

        return $families;
    }
}
