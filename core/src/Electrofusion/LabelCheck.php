<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Does the fitting's label suit this pipe? Too thin a wall collapses inwards under melt pressure. */
#[Calculates(
    'label-check',
    'Does the fitting suit the pipe?',
    Family::Electrofusion,
    ['fails', 'verdict'],
    'Range printed on the fitting',
    verdicts: ['good', 'bad'],
    codes: ['fails' => ['size', 'sdr-range']],
)]
final class LabelCheck
{
    /** @return array{fails: list<string>, verdict: string} */
    public function __invoke(
        #[Measure('pipe_dn_mm', Quantity::Length, above: 0)] float $pipe,
        #[Measure('fitting_dn_mm', Quantity::Length, above: 0)] float $fitting,
        #[Number('pipe_sdr', above: 0)] float $sdr,
        #[Number('sdr_min', above: 0)] float $min,
        #[Number('sdr_max', above: 0)] float $max,
    ): array {
        if ($min > $max) {
            throw Refused::field('sdr_max', "sdr_max {$max} is below sdr_min {$min}.");
        }
        $fails = [];
        if (! Compare::equal($pipe, $fitting)) {
            $fails[] = 'size';
        }
        if (! Compare::atLeast($sdr, $min) || ! Compare::atMost($sdr, $max)) {
            $fails[] = 'sdr-range';
        }

        return ['fails' => $fails, 'verdict' => ($fails === [] ? Verdict::Good : Verdict::Bad)->value];
    }
}
