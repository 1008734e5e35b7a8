<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Whether a bolted gas saddle is closed: flanges meet at the outer edge, and no bolt went over the most that is allowed. */
#[Calculates(
    'saddle-torque',
    'Is the saddle closed, and no bolt over its most?',
    Family::Mechanical,
    ['highest_nm', 'reasons', 'notes', 'verdict'],
    'Common practice: flanges meet, never over a maximum',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['over-max:*', 'flanges-open', 'no-fact:*', 'no-limit:*']],
)]
final class SaddleTorque
{
    /**
     * @param  list<float|int>  $torques  N·m, bolt by bolt
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Numbers('torques_nm', whole: false)] array $torques,
        #[Measure('max_nm', Quantity::Torque, above: 0)] ?float $most = null,
        #[Flag('flanges_meet')] ?bool $meet = null,
    ): array {
        if ($torques === [] || min($torques) < 0) {
            throw Refused::field('torques_nm', $torques === [] ? 'torques_nm holds no reading.' : 'torques_nm: a torque is 0 or more.');
        }
        $found = new Findings;
        $most === null && $found->open('no-limit:max_nm');
        foreach ($torques as $i => $torque) {
            if ($most !== null && ! Compare::atMost((float) $torque, $most)) {
                $found->bad('over-max:'.($i + 1));
            }
        }
        $found->fact($meet, 'flanges_meet', 'flanges-open');

        return ['highest_nm' => (float) max($torques)] + $found->toArray();
    }
}
