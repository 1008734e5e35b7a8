<?php

namespace App\Actions;

use App\Support\Say;
use Diastoma\Core\Laying\LandXml\LandXmlFile;
use Diastoma\Core\Refused;

/**
 * A centre line from CSV (heading chainage, easting, northing, level), GeoJSON (LineString with levels as third coordinate) or
 * LandXML (an alignment with its profile).
 * A GeoJSON line without chainages gets them from the plan distance.
 */
final class ReadCentreLine
{
    /** @return list<array{float, float, float, float}> */
    public function __invoke(string $text): array
    {
        if (! mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0")) {
            throw Refused::field('file', Say::text('refused.noUtf8'));
        }
        $text = trim((string) preg_replace('/^\x{FEFF}/u', '', $text));

        return CreateLine::centreLine(match (true) {
            str_starts_with($text, '{') => $this->geoJson($text),
            str_starts_with($text, '<') => LandXmlFile::of($text)->points(),
            default => $this->csv($text),
        });
    }

    /** @return list<list<mixed>> */
    private function csv(string $text): array
    {
        $lines = preg_split('/\R/', $text) ?: [];
        $delimiter = substr_count($lines[0], ';') > 0 ? ';' : (substr_count($lines[0], "\t") > 0 ? "\t" : ',');
        $heading = array_map(fn ($h) => mb_strtolower(trim((string) $h)), str_getcsv($lines[0], $delimiter, '"', ''));
        $at = [];
        foreach (
            [
                'chainage' => '/^(chainage|station)/',
                'easting' => '/^(easting|east|e\b|x\b)/',
                'northing' => '/^(northing|north|n\b|y\b)/',
                'level' => '/^(level|elevation|height|z\b)/',
            ] as $name => $pattern
        ) {
            $found = array_keys(array_filter($heading, fn ($h) => preg_match($pattern, $h) === 1));
            $at[$name] =
                $found[0] ??
                throw Refused::field(
                    'file',
                    Say::text('refused.noColumn', ['name' => $name, 'found' => implode(', ', $heading)]),
                );
        }
        $points = [];
        foreach (\array_slice($lines, 1) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            $cells = str_getcsv($line, $delimiter, '"', '');
            if ($delimiter === ',' && \count($cells) > \count($heading)) {
                throw Refused::field(
                    'file',
                    Say::text('refused.moreCells', ['line' => $i + 2]),
                );
            }
            $point = [];
            foreach ($at as $name => $column) {
                $cell = trim((string) ($cells[$column] ?? ''));
                $cell = $delimiter !== ',' && preg_match('/^-?\d+,\d+$/', $cell) === 1 ? str_replace(',', '.', $cell) : $cell;
                if (preg_match('/^-?\d+(\.\d+)?$/', $cell) !== 1) {
                    throw Refused::field('file', Say::text('refused.cellNoNumber', [
                        'line' => $i + 2,
                        'name' => $name,
                        'cell' => mb_substr($cell, 0, 40),
                    ]));
                }
                $point[] = (float) $cell;
            }
            $points[] = $point;
        }

        return $points;
    }

    /** @return list<list<mixed>> */
    private function geoJson(string $text): array
    {
        $json = json_decode($text, true, 32);
        $feature = $json['features'][0] ?? $json;
        $geometry = $feature['geometry'] ?? $feature;
        if (! \is_array($json) || ($geometry['type'] ?? null) !== 'LineString' || ! \is_array($geometry['coordinates'] ?? null)) {
            throw Refused::field('file', Say::text('refused.noLineString'));
        }
        $chainages = $feature['properties']['chainages'] ?? null;
        $points = [];
        $chainage = (float) ($feature['properties']['start_m'] ?? 0);
        foreach ($geometry['coordinates'] as $i => $c) {
            if (! \is_array($c) || ! isset($c[2]) || ! is_numeric($c[0]) || ! is_numeric($c[1]) || ! is_numeric($c[2])) {
                throw Refused::field('file', Say::text('refused.coordinateWants', ['n' => $i + 1]));
            }
            if ($i > 0) {
                $chainage += hypot($c[0] - $geometry['coordinates'][$i - 1][0], $c[1] - $geometry['coordinates'][$i - 1][1]);
            }
            $points[] = [$chainages[$i] ?? $chainage, $c[0], $c[1], $c[2]];
        }
        if (abs((float) $points[0][1]) <= 180 && abs((float) $points[0][2]) <= 90 && $chainages === null && $chainage < 1) {
            throw Refused::field('file', Say::text('refused.degrees'));
        }

        return $points;
    }
}
