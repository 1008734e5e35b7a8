<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Numbers;
use Diastoma\Core\Calendar;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/**
 * Several traces, one joint: was everything fused that must be, once each, in order? Cooling counts from the last
 * fusion. A permitted repeat is a decision laid over this verdict, never a silent good.
 */
#[Calculates(
    'joint-story',
    'Do the traces of this joint tell one good story?',
    Family::Electrofusion,
    ['reasons', 'verdict', 'cooling_from'],
    'Common practice: a fitting is never fused twice; a preheating comes before the fusion',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['missing:*', 'repeated:*', 'bad:*', 'open:*', 'too-many:*', 'order', 'unexpected:*']],
)]
final class JointStory
{
    /**
     * @param  list<string>  $required
     * @param  list<StoryTrace>  $traces
     * @return array{reasons: list<string>, verdict: string, cooling_from: string|null}
     */
    public function __invoke(
        #[Numbers(
            'roles_required',
            texts: true,
            about: 'in order: fusion, or side-a and side-b; preheat in front, or preheat-a and preheat-b',
        )]
        array $required,
        #[Items('traces', StoryTrace::class, atLeast: 0)] array $traces,
        #[Number('max_preheats', min: 1, max: 20, whole: true, about: 'of each preheating')] float $maxPreheats = 1,
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
        $fusions = array_values(array_filter($required, fn (string $role) => ! self::isPreheat($role)));
        $reasons = [
            ...self::named('missing', $required, fn (string $role) => self::of($role, $traces) === []),
            ...self::named('repeated', $fusions, fn (string $role) => \count(self::of($role, $traces)) > 1),
            ...self::named('bad', $required, fn (string $role) => self::lastIs(Verdict::Bad, $role, $traces)),
            ...self::named('open', $required, fn (string $role) => self::lastIs(Verdict::Open, $role, $traces)),
            ...self::named(
                'too-many',
                array_diff($required, $fusions),
                fn (string $role) => \count(self::of($role, $traces)) > $maxPreheats,
            ),
            ...$this->outOfOrder($traces, $fusions, $strict) ? ['order'] : [],
            ...self::named(
                'unexpected',
                array_unique(array_map(fn (StoryTrace $t) => $t->role, $traces)),
                fn (string $role) => ! \in_array($role, $required, true),
            ),
        ];
        $lacking = array_filter($reasons, fn (string $r) => str_starts_with($r, 'missing:') || str_starts_with($r, 'open:'));
        $complete = array_filter($fusions, fn (string $role) => self::of($role, $traces) === []) === [];
        $ends = array_map(fn (StoryTrace $t) => $t->end, array_filter($traces, fn (StoryTrace $t) => ! self::isPreheat($t->role)));

        return [
            'reasons' => $reasons,
            'verdict' => ($reasons === [] ? Verdict::Good : (\count($lacking) === \count($reasons) ? Verdict::Open : Verdict::Bad))->value,
            'cooling_from' => $complete && $ends !== [] ? Calendar::utc(max($ends)) : null,
        ];
    }

    private static function isPreheat(string $role): bool
    {
        return $role === 'preheat' || str_starts_with($role, 'preheat-');
    }

    /** The fusion before which a preheating belongs: of its side, or any. */
    private static function before(string $preheat, string $fusion): bool
    {
        return $preheat === 'preheat' || $fusion === 'side-'.substr($preheat, \strlen('preheat-'));
    }

    /**
     * @param  list<StoryTrace>  $traces
     * @return list<StoryTrace>
     */
    private static function of(string $role, array $traces): array
    {
        return array_values(array_filter($traces, fn (StoryTrace $t) => $t->role === $role));
    }

    /** @param  list<StoryTrace>  $traces */
    private static function lastIs(Verdict $verdict, string $role, array $traces): bool
    {
        $made = self::of($role, $traces);

        return $made !== [] && $made[\count($made) - 1]->verdict === $verdict;
    }

    /**
     * @param  array<string>  $roles
     * @param  callable(string): bool  $holds
     * @return list<string> "word:role" of each role for which it holds
     */
    private static function named(string $word, array $roles, callable $holds): array
    {
        return array_values(array_map(fn (string $role) => "{$word}:{$role}", array_filter($roles, $holds)));
    }

    /**
     * A preheating after the fusion that it belongs to; with $strict also the sides out of the order wanted.
     *
     * @param  list<StoryTrace>  $traces  by time
     * @param  list<string>  $fusions  in the order wanted
     */
    private function outOfOrder(array $traces, array $fusions, bool $strict): bool
    {
        $furthest = -1;
        foreach ($traces as $i => $trace) {
            if (self::isPreheat($trace->role)) {
                foreach (\array_slice($traces, 0, $i) as $earlier) {
                    if (! self::isPreheat($earlier->role) && self::before($trace->role, $earlier->role)) {
                        return true;
                    }
                }

                continue;
            }
            $place = array_search($trace->role, $fusions, true);
            if ($strict && $place !== false && $place < $furthest) {
                return true;
            }
            $furthest = max($furthest, $place === false ? 0 : $place);
        }

        return false;
    }
}
