<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/** Outside diameter of a nominal size in a named series. A size that is not tabled is refused, never interpolated. */
#[Calculates(
    'pipe-od',
    'What outside diameter has this size?',
    Family::Gasketed,
    ['od_m', 'source'],
    'The standard of each series; see core/data/pipe/od-series.json',
)]
final class PipeOd
{
    /** @return array{od_m: float, source: string} */
    public function __invoke(
        #[Choice('series', ['awwa-ciod', 'astm-d3034', 'astm-f679', 'ips', 'en-545', 'en-10220', 'iso-161'])] string $series,
        #[Number('nominal', above: 0, about: 'inch or DN, as the series')] float $nominal,
    ): array {
        /** @var array<string, array{unit: 'in'|'mm', source: string, od: array<string, float>}> $all */
        $all = Data::json('pipe/od-series.json')['series'];
        $table = $all[$series];
        $od = $table['od'][(string) $nominal]
            ?? throw Refused::field('nominal', "nominal is {$nominal}; {$series} has ".implode(', ', array_keys($table['od'])).'.');

        return ['od_m' => $od * ($table['unit'] === 'in' ? 0.0254 : 0.001), 'source' => $table['source']];
    }
}
