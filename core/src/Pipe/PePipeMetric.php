<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * Wall, outside diameter and factory out-of-roundness of metric polyethylene pipe, mm.
 *
 * S is the exact preferred number 10^(n/10), not the rounded one printed; the wall is rounded to 0.01, then up to 0.1 mm.
 *
 * @phpstan-type Table array{
 *     sizes_mm: list<int|float>, series: array<string, float>, least_wall_mm: array<string, float>,
 *     small_walls_mm: array<string, array<string, array<string, float>>>, wall_exceptions_mm: array<string, array<string, float>>,
 *     out_of_round_coil_mm: array<string, float>, out_of_round_straight_mm: array<string, float>, od_max_unknown_mm: list<int>
 * }
 */
#[Calculates(
    'pe-pipe-metric',
    'What does the pipe standard allow for this pipe?',
    Family::Electrofusion,
    ['e_min_mm', 'e_max_mm', 'od_min_mm', 'od_max_mm', 'oor_max_mm'],
    'ISO 4065, ISO 4427-2 / EN 12201-2 / ISO 4437-2, ISO 11922-1; rows from memory but dn 63, 90, 110, 160, 250, 315 at SDR 11 and 17',
)]
final class PePipeMetric
{
    /** @return array<string, float|null> */
    public function __invoke(
        #[Number('dn_mm')] float $dn,
        #[Number('sdr')] float $sdr,
        #[Choice('service', ['water', 'gas'])] string $service = 'water',
        #[Choice('delivery', ['straight', 'coil'])] string $delivery = 'straight',
    ): array {
        /** @var Table $table */
        $table = Data::json('pipe/pe-metric.json');
        if (! \in_array($dn, array_map(floatval(...), $table['sizes_mm']), true)) {
            throw Refused::field('dn_mm', "dn_mm is {$dn}; sizes of the series are ".implode(', ', $table['sizes_mm']).'.');
        }
        if (! isset($table['series'][(string) $sdr])) {
            throw Refused::field('sdr', "sdr is {$sdr}; allowed is one of ".implode(', ', array_keys($table['series'])).'.');
        }
        $wall = $this->wall($table, $dn, $sdr, $service);
        $out = $delivery === 'coil' ? $table['out_of_round_coil_mm'] : $table['out_of_round_straight_mm'];

        return [
            'e_min_mm' => $wall,
            'e_max_mm' => round($wall + self::upToTenth(0.1 * $wall + 0.1), 1),
            'od_min_mm' => $dn,
            'od_max_mm' => \in_array((int) $dn, $table['od_max_unknown_mm'], true) ? null
                : round($dn + max(0.3, self::upToTenth(($dn <= 630 ? 0.006 : 0.009) * $dn)), 1),
            'oor_max_mm' => isset($out[(string) $dn]) ? (float) $out[(string) $dn] : null,
        ];
    }

    /** @param  Table  $table */
    private function wall(array $table, float $dn, float $sdr, string $service): float
    {
        $least = $table['least_wall_mm'][$service];
        if ($dn < 40) {
            return (float) ($table['small_walls_mm'][$service][(string) $dn][(string) $sdr] ??
                throw Refused::field('sdr', "sdr is {$sdr}: no wall is tabled for dn {$dn} {$service}; take it from your own standard."));
        }
        $exact = $dn / (2 * 10 ** $table['series'][(string) $sdr] + 1);
        $wall = (float) ($table['wall_exceptions_mm'][(string) $dn][(string) $sdr] ?? self::upToTenth(round($exact, 2)));
        if ($wall < 2.0) {
            throw Refused::field('sdr', "sdr is {$sdr}: a wall of {$wall} mm is no pipe of the series.");
        }

        return max($wall, $least);
    }

    private static function upToTenth(float $mm): float
    {
        return ceil(10 * $mm - 1e-6) / 10;
    }
}
