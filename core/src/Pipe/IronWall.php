<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/** The wall of a ductile iron pipe of which neither wall nor ratio is said: that of its usual class, from `data/pipe/iron-walls.json`. */
final class IronWall
{
    private const INCH_MM = 25.4;

    /**
     * @param  string  $series  `dn` or `dips`
     * @return float mm
     *
     * @throws Refused where no usual class is known for the size
     */
    public static function usual(string $series, float $nominal): float
    {
        /** @var array{dn: array{k: float, least_mm: float}, dips: array{wall_in: array<string, float>}} $all */
        $all = Data::json('pipe/iron-walls.json');
        if ($series === 'dn') {
            return max($all['dn']['least_mm'], $all['dn']['k'] * (0.5 + 0.001 * $nominal));
        }
        $inch = $all['dips']['wall_in'][(string) $nominal]
            ?? throw Refused::field('wall_mm', "wall_mm is missing: no usual class is known for {$nominal} in.");

        return self::INCH_MM * $inch;
    }
}
