<?php

namespace App\Laying;

use App\Models\Line;
use Diastoma\Core\Laying\CoverAlong;

/** How much ground lies over the pipes of a plan, where somebody says where the ground is. */
final class CoverOfPlan
{
    private const MM = 1000.0;

    /**
     * @param  list<array<string, mixed>>  $rows  of the plan, rising
     * @return array<string, mixed>|null null: nobody says where the ground is, or nothing is laid out
     */
    public static function of(Line $line, Asked $asked, array $rows): ?array
    {
        if ($asked->ground === [] || $rows === []) {
            return null;
        }
        [$od, $wall] = [self::metres($line, 'od_mm'), self::metres($line, 'wall_mm')];
        if ($od === null) {
            return [
                'cover_m' => null, 'at_m' => null, 'short' => [], 'unknown' => [], 'verdict' => 'open', 'reasons' => ['no-diameter'],
            ];
        }

        return (new CoverAlong)(
            array_map(fn (array $point): array => [$point['at_m'], $point['level_m']], $asked->ground),
            self::inverts($rows),
            $od,
            $wall ?? 0.0,
            $asked->leastCover,
            $asked->groundU,
        );
    }

    /**
     * @param  non-empty-list<array<string, mixed>>  $rows
     * @return list<array{float, float}> chainage rising, invert, m
     */
    private static function inverts(array $rows): array
    {
        $levels = array_map(fn (array $row): array => [(float) $row['from_m'], (float) $row['from']['invert_m']], $rows);
        $last = $rows[\count($rows) - 1];

        return [...$levels, [(float) $last['to_m'], (float) $last['to']['invert_m']]];
    }

    private static function metres(Line $line, string $key): ?float
    {
        $mm = $line->pipe[$key] ?? null;

        return \is_int($mm) || \is_float($mm) ? $mm / self::MM : null;
    }
}
