<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * Pipes of a new soil, as they were measured one after the other: each of them until the figure stays still, then every nth. What
 * the compaction must do otherwise is said by the last one.
 */
#[Calculates(
    'deflection-log',
    'Have the pipes kept their shape, and is the hand in?',
    Family::Gasketed,
    ['deflections_pct', 'worst_pct', 'hand_in', 'next_after', 'does', 'fails', 'verdict'],
    'Each of the first, then every nth: common practice; limit and numbers are the procedure\'s',
    codes: [
        'fails' => ['squat:*', 'peaked:*', 'base:*', 'cannot-be:*', 'same-shape:*'],
        'does' => ['compact-sides-less', 'compact-haunch-more', 'measure-again', 'measure-each', 'measure-every-nth'],
    ],
)]
final class DeflectionLog
{
    /**
     * @param  list<MeasuredPipe>  $pipes
     * @return array{
     *     deflections_pct: list<float|null>, worst_pct: float|null, hand_in: bool, next_after: int, does: list<string>,
     *     fails: list<string>, verdict: string
     * } of the measurements that count, the last of each pipe; worst by its amount; `next_after`: so many pipes on is the next one
     * measured; a deflection null: it cannot be
     */
    public function __invoke(
        #[Items('pipes', MeasuredPipe::class, atLeast: 0, atMost: 5000)] array $pipes,
        #[Number('limit_pct', above: 0, max: 15)] float $limit,
        #[Number('first_pipes', min: 1, max: 100, whole: true, about: 'measured one by one at least')] float $first,
        #[Number('every_nth', min: 1, max: 1000, whole: true, about: 'then')] float $nth,
        #[Number('still_pct', above: 0, max: 5, about: 'the first ones differ by no more')] float $still,
        #[Number('peak_limit_pct', above: 0, max: 15)] ?float $peakLimit = null,
        #[Measure('u_mm', Quantity::Length, min: 0, about: 'uncertainty of one diameter, k = 2')] ?float $uncertainty = null,
    ): array {
        $deflections = $counts = [];
        foreach ($pipes as $pipe) {
            $found = $this->found($pipe, $limit, $peakLimit, $uncertainty);
            $deflections[] = $found['deflection'];
            $before = $counts[$pipe->pipe] ?? null;
            // Bad once, a pipe wants something done: to measure it over and over until it passes is nothing.
            $owes = ($before['owes'] ?? false) && trim($pipe->changed ?? '') === '';
            if ($owes && $found['verdict'] !== Verdict::Bad) {
                $found = ['verdict' => Verdict::Open, 'fails' => ["same-shape:{$pipe->pipe}"]] + $found;
            }
            $found['owes'] = $owes || $found['verdict'] === Verdict::Bad;
            // The pipe that was measured last stands last: by it the hand is judged.
            unset($counts[$pipe->pipe]);
            $counts[$pipe->pipe] = $found;
        }
        $standing = array_column($counts, 'deflection');
        $verdicts = array_column($counts, 'verdict');
        $isIn = $this->isIn($standing, $verdicts, (int) $first, $still);
        $known = array_filter($standing, fn (?float $deflection): bool => $deflection !== null);
        $worst = array_reduce($known, fn (float $most, float $one): float => abs($one) > abs($most) ? $one : $most, 0.0);
        $last = $counts === [] ? [] : $counts[array_key_last($counts)]['does'];

        return [
            'deflections_pct' => $deflections,
            'worst_pct' => $known === [] ? null : $worst,
            'hand_in' => $isIn,
            'next_after' => $isIn ? (int) $nth : 1,
            'does' => $pipes === [] ? ['measure-each'] : [...$last, $isIn ? 'measure-every-nth' : 'measure-each'],
            'fails' => array_merge(...array_column($counts, 'fails')),
            'verdict' => Verdict::worst(...$verdicts)->value,
        ];
    }

    /** @return array{deflection: float|null, verdict: Verdict, does: list<string>, fails: list<string>} */
    private function found(MeasuredPipe $pipe, float $limit, ?float $peakLimit, ?float $uncertainty): array
    {
        try {
            $out = (new RingDeflection)($pipe->base(), $pipe->upright, $limit, $pipe->across, $peakLimit, uncertainty: $uncertainty);
        } catch (Refused) {
            return [
                'deflection' => null, 'verdict' => Verdict::Open, 'does' => ['measure-again'], 'fails' => ["cannot-be:{$pipe->pipe}"],
            ];
        }
        $fails = array_map(fn (string $failed): string => "{$failed}:{$pipe->pipe}", array_values((array) $out['failed']));
        $isSuspect = $out['verdict'] === Verdict::Open->value;

        return [
            'deflection' => $out['deflection_pct'], 'verdict' => Verdict::from($out['verdict']), 'does' => $out['does'],
            'fails' => $isSuspect ? [...$fails, "base:{$pipe->pipe}"] : $fails,
        ];
    }

    /**
     * @param  list<float|null>  $deflections
     * @param  list<Verdict>  $verdicts
     */
    private function isIn(array $deflections, array $verdicts, int $first, float $still): bool
    {
        if (\count($deflections) < $first) {
            return false;
        }
        $lately = \array_slice($deflections, -$first);
        $bad = array_filter(\array_slice($verdicts, -$first), fn (Verdict $v): bool => $v === Verdict::Bad || $v === Verdict::Open);
        $known = array_filter($lately, fn (?float $deflection): bool => $deflection !== null);

        return $bad === [] && $known !== [] && \count($known) === $first && Compare::atMost(max($known) - min($known), $still);
    }
}
