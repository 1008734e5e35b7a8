<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Between which diameters a polyethylene pipe lies: metric by its nominal size, inch sizes by the outside diameter of their series. */
#[Calculates(
    'pe-pipe-od',
    'Between which diameters does this pipe lie?',
    Family::Electrofusion,
    ['od_min_mm', 'od_max_mm'],
    'ISO 4427-2 and the like for metric sizes; ASTM F714 for inch sizes: 0.45 % either way (from memory)',
)]
final class PePipeOd
{
    /** @return array{od_min_mm: float|null, od_max_mm: float|null} null: not tabled */
    public function __invoke(
        #[Number('dn_mm', above: 0)] float $dn,
        #[Number('sdr', min: 5, max: 45)] float $sdr,
        #[Choice('series', ['metric', 'ips', 'dips'])] string $series = 'metric',
        #[Measure('od_mm', Quantity::Length, above: 0, about: 'outside diameter of an inch size')] ?float $od = null,
        #[Choice('service', ['water', 'sewer', 'gas'])] string $service = 'water',
    ): array {
        if ($series === 'metric') {
            $table = (new PePipeMetric)($dn, $sdr, $service === 'gas' ? 'gas' : 'water');

            return ['od_min_mm' => $table['od_min_mm'], 'od_max_mm' => $table['od_max_mm']];
        }
        if ($od === null) {
            throw Refused::field('od_mm', 'od_mm is missing: an inch size is told by its outside diameter.');
        }
        $table = (new PePipeUs)($od, $sdr);

        return ['od_min_mm' => 25.4 * $table['od_min_in'], 'od_max_mm' => 25.4 * $table['od_max_in']];
    }
}
