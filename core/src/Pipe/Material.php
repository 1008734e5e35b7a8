<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/** What a material brings along before the engineer says better: start values with source in `data/pipe/materials.json`. */
final class Material
{
    /** @return list<string> that are known */
    public static function names(): array
    {
        /** @var array<string, mixed> $all */
        $all = Data::json('pipe/materials.json')['materials'];

        return array_keys($all);
    }

    /**
     * In which series each is ordered, and how its wall is said: as a ratio of the diameter, as a class, or as measured.
     *
     * @return array<string, array{series: non-empty-list<string>, wall: 'ratio'|'class'|'measured'}>
     */
    public static function ordered(): array
    {
        /** @var array<string, array{series: non-empty-list<string>, wall: 'ratio'|'class'|'measured'}> */
        return Data::json('pipe/materials.json')['ordered'];
    }

    /**
     * @return array{
     *     e_mod_gpa: float, nu: float, restraint: string, creep_m?: float, allowance_material: string, density_kg_m3?: float
     * } a profiled wall has no density
     *
     * @throws Refused for a material that is not in the table
     */
    public static function startValues(string $name): array
    {
        /** @var array<string, array<string, array{value: mixed}>> $all */
        $all = Data::json('pipe/materials.json')['materials'];
        $material = $all[$name]
            ?? throw Refused::field('material', "material \"{$name}\" is not known; known are ".implode(', ', array_keys($all)).'.');

        /** @var array{
         *     e_mod_gpa: float, nu: float, restraint: string, creep_m?: float, allowance_material: string, density_kg_m3?: float
         * }
         */
        return array_map(fn (array $number) => $number['value'], $material);
    }
}
