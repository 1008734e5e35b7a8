<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/**
 * Several traces, one joint: was everything fused that must be, once each, in order? Cooling counts from the last
 * fusion. A permitted repeat is a decision laid over this verdict, never a silent good.
 */
#[Calculates('joint-story', 'Do the traces of this joint tell one good story?', Family::Electrofusion, ['reasons', 'verdict', 'cooling_from'], 'Common practice: a fitting is never fused twice; a preheating comes before the fusion')]
final class JointStory
{
    private const PREHEAT = 'preheat';

    /**
     * @param  list<string>  $required
     * @param  list<StoryTrace>  $traces
     * @return array{reasons: list<string>, verdict: string, cooling_from: string|null}
     */
    public function __invoke(
        #[Numbers('roles_required', texts: true, about: 'in order: fusion, or side-a and side-b; preheat in front where it must be')] array $required,
        #[Items('traces', StoryTrace::class, atLeast: 0)] array $traces,
        #[Number('max_preheats', min: 1, max: 20, whole: true)] float $maxPreheats = 1,
        #[Flag('order_strict', about: 'the sides must be fused in the order given')] bool $strict = false,
    ): array {
        if ($required === []) {
            throw Refused::field('roles_required', 'roles_required is empty; name at least one, such as fusion.');
        }
        usort($traces, fn (StoryTrace $a, StoryTrace $b) => $a->start <=> $b->start);
        foreach ($traces as $i => $trace) {
            if ($i > 0 && $trace->start < $traces[$i - 1]->end) {
                throw Refused::field('traces', "traces: {$trace->role} starts before {$traces[$i - 1]->role} has ended.");
            }
        }
        $of = fn (string $role): array => array_values(array_filter($traces, fn (StoryTrace $t) => $t->role === $role));
        $fusionRoles = array_values(array_diff($required, [self::PREHEAT]));
        $reasons = [];
        foreach ($required as $role) {
            if ($of($role) === []) {
                $reasons[] = "missing:{$role}";
            }
        }
        foreach ($fusionRoles as $role) {
            if (count($of($role)) > 1) {
                $reasons[] = "repeated:{$role}";
            }
        }
        foreach ([[Verdict::Bad, 'bad'], [Verdict::Open, 'open']] as [$verdict, $word]) {
            foreach ($required as $role) {
                $made = $of($role);
                if ($made !== [] && $made[count($made) - 1]->verdict === $verdict) {
                    $reasons[] = "{$word}:{$role}";
                }
            }
        }
        if (in_array(self::PREHEAT, $required, true) && count($of(self::PREHEAT)) > $maxPreheats) {
            $reasons[] = 'too-many:'.self::PREHEAT;
        }
        if ($this->outOfOrder($traces, $fusionRoles, $strict)) {
            $reasons[] = 'order';
        }
        foreach (array_unique(array_map(fn (StoryTrace $t) => $t->role, $traces)) as $role) {
            if (! in_array($role, $required, true)) {
                $reasons[] = "unexpected:{$role}";
            }
        }
        $lacking = array_filter($reasons, fn (string $r) => str_starts_with($r, 'missing:') || str_starts_with($r, 'open:'));
        $complete = array_filter($fusionRoles, fn (string $role) => $of($role) === []) === [];
        $ends = array_map(fn (StoryTrace $t) => $t->end, array_filter($traces, fn (StoryTrace $t) => $t->role !== self::PREHEAT));

        return [
            'reasons' => $reasons,
            'verdict' => ($reasons === [] ? Verdict::Good : (count($lacking) === count($reasons) ? Verdict::Open : Verdict::Bad))->value,
            'cooling_from' => $complete && $ends !== [] ? CoolingClock::utc(max($ends)) : null,
        ];
    }

    /**
     * @param  list<StoryTrace>  $traces  by time
     * @param  list<string>  $fusionRoles  in the order wanted
     */
    private function outOfOrder(array $traces, array $fusionRoles, bool $strict): bool
    {
        $furthest = -1;
        foreach ($traces as $trace) {
            if ($trace->role === self::PREHEAT) {
                if ($furthest >= 0) {
                    return true;
                }

                continue;
            }
            $place = array_search($trace->role, $fusionRoles, true);
            if ($strict && $place !== false && $place < $furthest) {
                return true;
            }
            $furthest = max($furthest, $place === false ? 0 : $place);
        }

        return false;
    }
}
