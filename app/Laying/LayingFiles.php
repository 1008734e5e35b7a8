<?php

namespace App\Laying;

use App\Models\LayingPlan;
use App\Models\Line;
use App\Support\Say;
use Diastoma\Core\Laying\LandXml\LandXmlText;
use Diastoma\Core\Laying\Levels;

/**
 * A laying plan in open formats, metres and degrees: a table, a map, an alignment.
 *
 * @phpstan-type Place array{e_m: float, n_m: float, invert_m: float}
 * @phpstan-type Bend array{
 *     bend_deg: float, at_m: float, leg_m: float, turn_hour: float|null, leaves_azimuth_deg: float, leaves_grade_ratio: float
 * }
 * @phpstan-type Row array{
 *     pipe: int|null, length_m: float, cut_from_m: float|null, from_m: float, to_m: float, from: Place, to: Place, azimuth_deg: float,
 *     grade_ratio: float, angle_deg: float|null, angle_share: float|null, turn_hour: float|null, turn_right_deg: float|null,
 *     turn_up_deg: float|null, gap_difference_m: float|null, off_line_m: float, off_side_m: float|null,
 *     off_level_m: float|null, bend: Bend|null, depth_m: float|null
 * }
 */
final class LayingFiles
{
    private const COLUMNS = [
        'length_m', 'cut_from_m', 'from_m', 'to_m', 'azimuth_deg', 'grade_ratio', 'angle_deg', 'angle_share', 'turn_hour',
        'turn_right_deg', 'turn_up_deg', 'gap_difference_m', 'off_line_m', 'off_side_m', 'off_level_m', 'depth_m',
    ];

    private const ENDS = ['e_m', 'n_m', 'invert_m'];

    private const DIGITS = 6;

    public function csv(Line $line, LayingPlan $plan): string
    {
        $painted = PaintedNumbers::of($line);
        $out = fopen('php://temp', 'w+') ?: throw new \RuntimeException('No room for a table');
        $ends = fn (string $end): array => array_map(fn (string $key): string => "{$end}_{$key}", self::ENDS);
        fputcsv($out, ['pipe', ...self::COLUMNS, ...$ends('from'), ...$ends('to'), 'bend_deg', 'bend_hour'], escape: '');
        foreach (self::rows($plan) as $row) {
            fputcsv($out, [$painted->at($row['from_m']), ...array_map(
                fn (int|float|null $value): string => $value === null ? '' : (string) round($value, self::DIGITS),
                [
                    ...array_map(fn (string $key) => $row[$key], self::COLUMNS),
                    ...array_map(fn (string $key) => $row['from'][$key], self::ENDS),
                    ...array_map(fn (string $key) => $row['to'][$key], self::ENDS),
                    $row['bend']['bend_deg'] ?? null,
                    $row['bend']['turn_hour'] ?? null,
                ],
            )], escape: '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }

    public function geoJson(Line $line, LayingPlan $plan): string
    {
        $painted = PaintedNumbers::of($line);
        $features = [];
        foreach (self::rows($plan) as $row) {
            $features[] = [
                'type' => 'Feature',
                'geometry' => ['type' => 'LineString', 'coordinates' => [self::coordinates($row['from']), self::coordinates($row['to'])]],
                'properties' => ['kind' => $row['bend'] === null ? 'pipe' : 'bend', 'pipe' => $painted->at($row['from_m'])]
                    + array_diff_key($row, ['from' => true, 'to' => true]),
            ];
        }

        return json_encode(
            ['type' => 'FeatureCollection', 'name' => $line->name, 'features' => $features],
            JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
        );
    }

    public function landXml(Line $line, LayingPlan $plan): string
    {
        $rows = self::rows($plan);
        $points = [[$rows[0]['from_m'], $rows[0]['from']['e_m'], $rows[0]['from']['n_m'], $rows[0]['from']['invert_m']]];
        foreach ($rows as $row) {
            $points[] = [$row['to_m'], $row['to']['e_m'], $row['to']['n_m'], $row['to']['invert_m']];
        }

        return LandXmlText::of($line->name, $points, Say::text('pack.laying.alignment'), $plan->made_at->toDateTimeImmutable());
    }

    /**
     * @param  Place  $place
     * @return list<float>
     */
    private static function coordinates(array $place): array
    {
        return array_map(fn (string $key): float => round($place[$key], self::DIGITS), self::ENDS);
    }

    /** @return non-empty-list<Row> */
    public static function rows(LayingPlan $plan): array
    {
        /** @var list<array{at_m: float, level_m: float}> $known of an older plan nobody said it */
        $known = $plan->asked['ground'] ?? [];
        $ground = new Levels(array_map(fn (array $point): array => [(float) $point['at_m'], (float) $point['level_m']], $known));
        /** @var non-empty-list<Row> those of an older plan know less */
        $rows = array_map(
            fn (array $row): array => ['depth_m' => self::depth($ground, $row)] + $row
                + ['off_side_m' => null, 'off_level_m' => null, 'bend' => null],
            $plan->rows,
        );

        return $rows;
    }

    /**
     * So far under the ground lies the invert where the pipe begins: to it, and by the bedding farther, the trench is opened.
     *
     * @param  array<string, mixed>  $row
     */
    private static function depth(Levels $ground, array $row): ?float
    {
        $level = $ground->at((float) $row['from_m']);

        return $level === null ? null : $level - $row['from']['invert_m'];
    }

    /** @param  list<Row>  $rows */
    public static function pipesIn(array $rows): int
    {
        return \count(array_filter($rows, fn (array $row): bool => $row['bend'] === null));
    }
}
