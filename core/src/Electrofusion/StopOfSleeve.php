<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** A coupling with a stop in its middle: the pipes go in as far as the stop, and it does not slide right back over a pipe. */
#[Calculates(
    'stop-and-sleeve',
    'Can the coupling go on in this way?',
    Family::Electrofusion,
    ['half_mm', 'fails', 'verdict'],
    'By its shape: a stop lies at most half a coupling behind the face',
    verdicts: ['good', 'bad'],
    codes: ['fails' => ['too-deep', 'slides-back']],
)]
final class StopOfSleeve
{
    /**
     * @param  float  $stop  from the face of the coupling
     * @param  float  $coupling  its whole length
     * @param  bool  $slidesBack  it is to slide right back over one pipe first
     * @return array{half_mm: float, fails: list<string>, verdict: string}
     */
    public function __invoke(
        #[Measure('stop_mm', Quantity::Length, above: 0)] float $stop,
        #[Measure('coupling_mm', Quantity::Length, above: 0, max: 5000)] float $coupling,
        #[Flag('slides_back', about: 'it is to slide right back over one pipe first')] bool $slidesBack = false,
    ): array {
        $fails = [
            ...(Compare::atMost($stop, $coupling / 2) ? [] : ['too-deep']),
            ...($slidesBack ? ['slides-back'] : []),
        ];

        return [
            'half_mm' => Si::mm($coupling / 2),
            'fails' => $fails,
            'verdict' => ($fails === [] ? Verdict::Good : Verdict::Bad)->value,
        ];
    }
}
