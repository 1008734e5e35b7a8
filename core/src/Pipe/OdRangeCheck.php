<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Part;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * Whether a coupling suits both pipe ends, each judged by itself, and whether the inner layer of its gaskets is torn out: that cannot
 * be undone, so it rests on a taped diameter only.
 */
#[Calculates(
    'od-range-check',
    'Does the coupling suit both ends, and does its inner layer stay?',
    Family::Measuring,
    ['ends', 'layer', 'layer_action', 'reasons', 'notes', 'verdict'],
    'Label of the fitting; guarded verdict by ILAC-G8; layers by common practice',
    codes: [
        'reasons' => [
            'od-low', 'od-high', 'od-near-limit', 'will-not-slide-on', 'may-not-slide-on', 'seals-least-across', 'out-of-round',
            'out-of-round-near-limit', 'surface', 'layer-ends-differ', 'layer-border', 'no-fact:*', 'no-limit:*',
        ],
        'notes' => ['out-of-round-not-judged'],
    ],
)]
final class OdRangeCheck
{
    public const LAYER_RULES = ['both-or-none', 'per-end', 'no-layer'];

    /** @return array<string, mixed> `layer`: remove, keep or conflict, by end; null with one layer; `layer_action`: of both alike */
    public function __invoke(
        #[Part('ends', TapedEnds::class)] TapedEnds $ends,
        #[Measure('layer_remove_from_mm', Quantity::Length, above: 0, about: 'none: one layer')] ?float $removeFrom = null,
        #[Choice('layer_rule', self::LAYER_RULES)] ?string $layerRule = null,
        #[Measure('limit_out_of_round_mm', Quantity::Length, min: 0)] ?float $outOfRoundMost = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        if ($removeFrom !== null && $layerRule === null) {
            throw Refused::field('layer_rule', 'layer_rule is missing: are both layers torn out together, or each by itself?');
        }
        $judged = array_map(fn (TapedEnd $end) => $end->judge($outOfRoundMost, $rule), $ends->all());
        $found = new Findings;
        array_map($found->take(...), $judged);
        $layer = $removeFrom === null || $layerRule === 'no-layer' ? null : $this->layer($found, $ends->all(), $removeFrom, $layerRule);
        $asSaid = fn (Findings $end) => array_intersect_key($end->toArray(), ['verdict' => true, 'reasons' => true]);

        $alike = $layer === null ? [] : array_values(array_unique($layer));

        return [
            'ends' => array_map($asSaid, $judged), 'layer' => $layer, 'layer_action' => \count($alike) > 1 ? 'each' : $alike[0] ?? null,
        ] + $found->toArray();
    }

    /**
     * @param  non-empty-array<'a'|'b', TapedEnd>  $ends
     * @return non-empty-array<'a'|'b', 'remove'|'keep'|'conflict'>
     */
    private function layer(Findings $found, array $ends, float $removeFrom, ?string $rule): array
    {
        $wanted = array_map(fn (TapedEnd $end) => Compare::atLeast($end->od, $removeFrom) ? 'remove' : 'keep', $ends);
        foreach ($ends as $end) {
            if ($end->u !== null && ! Compare::atLeast(abs($end->od - $removeFrom), $end->u)) {
                $found->close('layer-border');
            }
        }
        if ($rule === 'both-or-none' && \count(array_unique($wanted)) > 1) {
            $found->bad('layer-ends-differ');

            return array_map(fn () => 'conflict', $wanted);
        }

        return $wanted;
    }
}
