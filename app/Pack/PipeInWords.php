<?php

namespace App\Pack;

use App\Support\Say;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/** "PE100, 160 mm, SDR 17": an inch size by its name and series, a metric one by its diameter. */
final class PipeInWords
{
    /** @param  array<string, mixed>  $pipe */
    public static function of(array $pipe, UnitSystem $units): string
    {
        $isMetric = ($pipe['series'] ?? 'metric') === 'metric';

        return Say::text(($pipe['wall_as'] ?? 'ratio') === 'ratio' ? 'pack.pipeByRatio' : 'pack.pipeByWall', [
            'material' => $pipe['material'],
            'size' => $isMetric ? Display::value('dn_mm', (float) $pipe['dn_mm'], 0, $units) : (string) $pipe['size'],
            'sdr' => $pipe['sdr'],
            'wall' => Display::value('wall_mm', (float) $pipe['wall_mm'], 1, $units),
        ]);
    }
}
