<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;

/**
 * Facts and a procedure in, a judgement out. One engine for joints, sections and tests: it knows steps and rules, never
 * kinds of joints. A missing fact is open, never good.
 */
final class Judge
{
    /**
     * @param  list<Fact>  $facts  in the order in which they were stored
     * @param  array<string, mixed>  $line  what is known of the line at this place
     */
    public static function judge(
        Procedure $procedure,
        array $facts,
        array $line,
        \DateTimeImmutable $now,
        ?Registry $registry = null,
    ): Judgement {
        $registry ??= Registry::standard();
        $known = new Known($procedure, new Facts($facts, $procedure), $line, $now);
        $states = Cure::settle(self::states($known, $registry, new ShutThen($registry)));

        return new Judgement(
            $procedure,
            $states,
            self::next($states),
            $procedure->tells->told($known),
            $now,
            static fn () => Replaced::among($procedure, $facts, $line, $registry),
        );
    }

    /**
     * One step after the other, each with what was judged before it.
     *
     * @param  string|null  $until  key of the step whose lock is asked for: after it, and for the eye, nothing is worked out
     * @return array<string, StepState>
     */
    public static function states(Known $known, Registry $registry, ShutThen $then, ?string $until = null): array
    {
        $one = new StepJudge($known, $registry, $then, $until !== null);
        $states = [];
        foreach ($known->procedure->steps as $step) {
            // Unknown keeps a step there, open, and what waits for it locked; so does a text that cannot be read.
            if ($step->fault === null && $step->when?->holds($known) === false) {
                $known->ruleOut($step->key);

                continue;
            }
            $states[$step->key] = $one->judge($step, $states);
            $known->judged($step, $states[$step->key]->verdict);
            foreach (Cure::by($step->key, $states) as $settled) {
                $known->judged($settled->step, $settled->verdict);
            }
            if ($step->key === $until) {
                break;
            }
        }

        return $states;
    }

    /** @param  array<string, StepState>  $states */
    private static function next(array $states): ?string
    {
        foreach ($states as $key => $state) {
            if ($state->wantsAttention()) {
                return $key;
            }
        }

        return null;
    }
}
