<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;

/**
 * Fuse, preheat, wait, feel the gap, or give up: large couplings are preheated until the gap has closed, as often as
 * the procedure allows. The fusion has its own code and trace; a preheating is never part of it.
 */
#[Calculates(
    'preheat-loop',
    'Fuse now, preheat again, or give up?',
    Family::Electrofusion,
    ['state', 'preheats_used', 'wait_more_s', 'gap_start_mm', 'gap_mm', 'verdict'],
    'Common practice for large couplings; limits from the procedure',
    verdicts: ['good', 'bad', 'open'],
    codes: ['state' => ['fuse', 'preheat', 'wait', 'reject']],
)]
final class PreheatLoop
{
    /**
     * @param  list<Preheating>  $preheats
     * @return array<string, mixed> `gap_mm`: the last one that was felt
     */
    public function __invoke(
        #[Measure('limit_mm', Quantity::Length, min: 0)] float $limit,
        #[Number('max_preheats', min: 1, max: 20, whole: true)] float $most,
        #[Measure('precool_s', Quantity::Time, min: 0)] float $precool,
        #[Measure('gap_start_mm', Quantity::Length, min: 0)] float $start,
        #[Flag('strict', about: 'the gap must be below its limit, not at it')] bool $strict = true,
        #[Flag('mandatory', about: 'preheat once even if the gap is small enough')] bool $mandatory = false,
        #[Items('preheats', Preheating::class, atLeast: 0)] array $preheats = [],
    ): array {
        $used = \count($preheats);
        if ($used > $most) {
            throw Refused::field('preheats', "preheats: {$used} were made; the procedure allows {$most}.");
        }
        $small = fn (?float $gap): bool => $gap !== null && Compare::atMost($gap, $limit, $strict);
        $state = $small($start) && ! $mandatory ? 'fuse' : 'preheat';
        $wait = null;
        $felt = $start;
        foreach ($preheats as $i => $preheat) {
            $last = $i === $used - 1;
            if (! Compare::atLeast($preheat->waited, $precool)) {
                if (! $last) {
                    throw Refused::field(
                        'preheats',
                        sprintf(
                            'preheats, row %d: only %g s were waited; %g s are wanted before the gap is felt.',
                            $i + 1,
                            $preheat->waited,
                            $precool,
                        ),
                    );
                }
                [$state, $wait] = ['wait', $precool - $preheat->waited];
            } elseif ($preheat->gap === null) {
                if (! $last) {
                    throw Refused::field('preheats', sprintf('preheats, row %d: gap_mm is missing.', $i + 1));
                }
                $state = 'feel';
            } else {
                $felt = $preheat->gap;
                $state = $small($felt) ? 'fuse' : ($used < $most ? 'preheat' : 'reject');
            }
        }

        return [
            'state' => $state, 'preheats_used' => $used, 'wait_more_s' => $wait,
            'gap_start_mm' => Si::mm($start), 'gap_mm' => Si::mm($felt),
            'verdict' => ['fuse' => 'good', 'reject' => 'bad'][$state] ?? 'open',
        ];
    }
}
