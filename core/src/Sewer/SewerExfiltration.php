<?php

declare(strict_types=1);

namespace Diastoma\Core\Sewer;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/** Water that may leave a sewer, or come into it, by the rate of the contract. */
#[Calculates(
    'sewer-exfiltration',
    'How much may leak out of this sewer, or in?',
    Family::PressureTest,
    ['allow_gal', 'allow_l', 'verdict', 'outcome', 'why'],
    'Rate of the contract; 200, 100 and 50 US gal/(in mi d) are common practice',
    verdicts: ['good', 'bad'],
    codes: ['outcome' => ['pass', 'fail'], 'why' => ['visible_leak']],
)]
final class SewerExfiltration
{
    /**
     * @param  list<SewerPipe>  $segments
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('rate_gal_in_mi_d', Quantity::SewerLoss, above: 0)] float $rate,
        #[Items('segments', SewerPipe::class)] array $segments,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('measured_l', Quantity::Volume, min: 0)] ?float $measured = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        $allowed = $rate * $duration * array_sum(array_map(fn (SewerPipe $pipe) => $pipe->dn * $pipe->length, $segments));
        $outcome = $measured === null ? null : (Compare::atMost($measured, $allowed) ? Outcome::Pass : Outcome::Fail);

        return [
            'allow_gal' => Si::usGallons($allowed), 'allow_l' => Si::litres($allowed), ...Outcome::answer($outcome, $visibleLeak),
        ];
    }
}
