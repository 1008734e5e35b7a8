<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calendar;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Kind\Hold;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Judges one step after the other; a fault inside one leaves it open and stops none of the others. */
final readonly class StepJudge
{
    /** @param  bool  $onlyLocks  what is for the eye alone is left out */
    public function __construct(
        private Known $known,
        private Registry $registry,
        private ShutThen $then,
        private bool $onlyLocks = false,
    ) {
    }

    /** @param  array<string, StepState>  $before  steps that were judged before it */
    public function judge(Step $step, array $before): StepState
    {
        try {
            return $this->state($step, $before);
        } catch (\Throwable $fault) {
            return $this->broken($step, $before, $fault->getMessage());
        }
    }

    /** @param  array<string, StepState>  $before */
    private function state(Step $step, array $before): StepState
    {
        $fact = $this->known->facts->at($step->key);
        $guide = $this->onlyLocks && $this->known->procedure->speaksOnly($step->id) ? [] : $this->guide($step);
        $opensAt = $step->order->notBefore?->of($this->known);
        $opensAt = \is_string($opensAt) ? $opensAt : null;
        $reasons = $fact === null ? [] : $this->reasons($step, $fact, $before, $opensAt);
        $worst = Reason::worst($reasons);
        $status = $fact === null ? 'todo' : ($step->kind->isFinished($step, $fact, $this->known) ? 'done' : 'running');

        return new StepState(
            step: $step,
            title: $step->title($this->known->line),
            status: $status,
            // What still comes may change everything: it is never good before it is whole.
            verdict: $status === 'done' ? $worst : Verdict::worst(Verdict::Open, $worst),
            fact: $fact,
            reasons: $reasons,
            guide: $guide,
            summary: $fact === null ? null : $this->summary($step),
            results: $this->known->results[$step->key] ?? [],
            device: $step->device?->known($this->known),
            model: $step->model?->known($this->known),
            lock: $this->lock($step, $before, $opensAt),
            opensAt: $opensAt,
            cautions: array_values(
                array_map(fn (Caution $c) => $c->text, array_filter($step->cautions, fn (Caution $c) => $c->applies($this->known))),
            ),
            figure: $step->figure?->drawn($this->known),
            again: $status === 'done' && $step->kind->mayBeRepeated($step, $this->known),
            entry: $step->kind->entry($this->known),
            suggested: $this->found($step, fn (FieldSpec $f) => $f->suggest),
            scanned: $this->found($step, fn (FieldSpec $f) => $f->scanned),
            usual: $this->usual($step),
            limits: $this->limits($step),
            live: $status === 'done' ? null : $step->live?->known($this->known),
            findings: $status === 'done' && ! $this->onlyLocks ? $this->findings($step) : [],
        );
    }

    /** @return list<Finding> */
    private function findings(Step $step): array
    {
        $found = [];
        foreach ($step->rules as $rule) {
            $result = $this->known->results[$step->key][$rule->name] ?? null;
            if ($rule->ruling->computesOnly() && $result !== null) {
                array_push($found, ...$rule->telling->found($result, $this->known));
            }
        }

        return $found;
    }

    /**
     * What is left of a step in which something cannot be computed at all: it is there, open, and says why.
     *
     * @param  array<string, StepState>  $before
     */
    private function broken(Step $step, array $before, string $why): StepState
    {
        $fact = $this->known->facts->at($step->key);

        return new StepState(
            step: $step,
            title: $step->title($this->known->line),
            status: $fact === null ? 'todo' : 'done',
            verdict: Verdict::Open,
            fact: $fact,
            reasons: $fact === null ? [] : [self::unjudged($why)],
            guide: [],
            summary: null,
            results: [],
            device: null,
            model: null,
            lock: $this->lock($step, $before, null),
            opensAt: null,
            cautions: array_map(fn (Caution $c) => $c->text, $step->cautions),
            figure: null,
            again: false,
        );
    }

    private static function unjudged(string $why): Reason
    {
        return Reason::plain(
            Verdict::Open,
            'This step cannot be judged: '.rtrim($why, '.').'.',
            'It comes from the procedure, not from what was entered: an engineer puts it right.',
        );
    }

    /**
     * @param  \Closure(FieldSpec): (Expression|null)  $named  where a field says that it is found
     * @return array<string, mixed> field => what is known of it
     */
    private function found(Step $step, \Closure $named): array
    {
        $found = [];
        foreach ($step->fields as $field) {
            $value = $named($field)?->of($this->known);
            if ($value !== null) {
                $found[$field->key] = $value;
            }
        }

        return $found;
    }

    /** @return list<Parameter> what it is held against, each once: known before the work; of a signature, what it confirms */
    private function limits(Step $step): array
    {
        if ($step->kind instanceof Hold) {
            return $step->kind->toConfirm;
        }
        $limits = [];
        foreach ($step->rules as $rule) {
            if ($rule->ruling->computesOnly() || $rule->when?->holds($this->known) === false) {
                continue;
            }
            foreach ($rule->telling->limits($this->known) as $limit) {
                $limits[$limit->name] = $limit;
            }
        }

        return array_values($limits);
    }

    /** @return array<string, mixed> field => between what its figure usually lies */
    private function usual(Step $step): array
    {
        $found = [];
        foreach ($step->fields as $field) {
            $usual = $field->usual?->known($this->known);
            if ($usual !== null) {
                $found[$field->key] = $usual;
            }
        }

        return $found;
    }

    /** @return list<Spoken> */
    private function guide(Step $step): array
    {
        $said = [];
        foreach ($step->guides as $rule) {
            if ($rule->when !== null && $rule->when->holds($this->known) !== true) {
                continue;
            }
            if (\is_array($this->run($step, $rule)) && $rule->telling->guide !== null) {
                $said[] = $rule->telling->guide->fill($this->known);
            }
        }

        return $said;
    }

    /** Of several ways to put it the first for which all is known. */
    private function summary(Step $step): ?Spoken
    {
        foreach ($step->summaries as $way) {
            if ($way->isKnown($this->known)) {
                return $way->fill($this->known);
            }
        }
        $last = $step->summaries[\count($step->summaries) - 1] ?? null;

        return $last?->fill($this->known);
    }

    /**
     * @param  array<string, StepState>  $before
     * @return list<Reason> the worst first
     */
    private function reasons(Step $step, Fact $fact, array $before, ?string $opensAt): array
    {
        // What was broken off and made again is judged by itself too: it is part of the joint's story.
        $ruled = [];
        foreach ($this->known->facts->attempts($step->key) as $attempt) {
            $this->known->show($step->key, $attempt);
            $ruled = $this->ruled($step);
            $this->known->attempted($step->key, $attempt, $ruled);
        }
        if (! $step->kind->isFinished($step, $fact, $this->known)) {
            // What is bad already is said while it runs; what is open waits for its end.
            $ruled = array_filter($ruled, fn (Reason $r) => $r->verdict !== Verdict::Open);
        }
        $reasons = [
            ...$this->own($step, $fact),
            ...$this->order($step, $fact, $before),
            ...$this->tooEarly($step, $fact, $opensAt),
            ...$this->whileShut($step, $fact),
            ...ImpossibleTime::of($fact, $this->known),
            ...$ruled,
        ];
        usort($reasons, fn (Reason $a, Reason $b) => $a->verdict->urgency() <=> $b->verdict->urgency());

        return self::eachOnce($reasons);
    }

    /**
     * Several calculations may wait for the same thing: it is said once.
     *
     * @param  list<Reason>  $reasons
     * @return list<Reason>
     */
    private static function eachOnce(array $reasons): array
    {
        $said = [];
        foreach ($reasons as $reason) {
            $said[$reason->verdict === Verdict::Open ? $reason->text->in(UnitSystem::Metric) : spl_object_id($reason)] ??= $reason;
        }

        return array_values($said);
    }

    /**
     * What a step says by itself: its kind, its picture, its answers.
     *
     * @return list<Reason>
     */
    private function own(Step $step, Fact $fact): array
    {
        $reasons = $step->kind->says($step, $fact, $this->known);
        if ($step->fault !== null) {
            $reasons[] = self::unjudged($step->fault);
        }
        if ($step->photo?->isWanted($this->known) === true && ($fact->value['photos'] ?? []) === []) {
            $reasons[] = Reason::plain(Verdict::Open, "A photo is wanted: {$step->photo->of}.", 'Take it before the joint is covered.');
        }
        foreach ($step->fields as $field) {
            $said = $field->says($fact->value[$field->key] ?? null, $this->known);
            if ($said !== null) {
                $reasons[] = $said;
            }
        }

        return $reasons;
    }

    /**
     * Steps that must have come first, by the time at which they were recorded.
     *
     * @param  array<string, StepState>  $before
     * @return list<Reason>
     */
    private function order(Step $step, Fact $fact, array $before): array
    {
        $reasons = [];
        foreach ($step->order->after as $key) {
            if (! isset($before[$key])) {
                continue;
            }
            $first = $this->known->facts->firstAt($key);
            if ($first === null || $first > ($this->known->facts->firstAt($step->key) ?? $fact->at)) {
                $reasons[] = Reason::plain(
                    Verdict::Open,
                    "Recorded before \"{$before[$key]->title}\", which must come first.",
                    'An engineer decides whether the joint can stand.',
                );
            }
        }

        return $reasons;
    }

    /** @return list<Reason> */
    private function tooEarly(Step $step, Fact $fact, ?string $opensAt): array
    {
        $early = $step->order->early;
        $at = $this->doneAt($step, $fact);
        if ($early === null || $opensAt === null || $at >= Calendar::read($opensAt)) {
            return [];
        }
        $moment = ['opens_at' => $opensAt, 'at' => $at->format(Known::TIME)];

        return [new Reason($early->verdict, $early->text->fill($this->known, $moment), $early->do->fill($this->known, $moment))];
    }

    /**
     * What protects people and was done all the same is kept, and bad. That its time had not come is said by itself.
     *
     * @return list<Reason>
     */
    private function whileShut(Step $step, Fact $fact): array
    {
        if (! $step->order->protects) {
            return [];
        }
        $at = $this->doneAt($step, $fact);
        $lock = $this->then->lock($step, $this->known, $at);
        if ($lock === null || $lock->code === Lock::TOO_EARLY) {
            return [];
        }
        $said = new Spoken(['Done at ', [$at->format(Known::TIME), 'at', 'time'], ' while it was shut: ', $lock->text]);

        return [new Reason(Verdict::Bad, $said, Spoken::plain('Stop here and keep clear: a licensed engineer decides how to go on.'))];
    }

    /** When it was done: what protects people is not done later by an entry that corrects the first one. */
    private function doneAt(Step $step, Fact $fact): \DateTimeImmutable
    {
        return $step->order->protects ? $this->known->facts->firstAt($step->key) ?? $fact->at : $fact->at;
    }

    /** @param  array<string, StepState>  $before */
    private function lock(Step $step, array $before, ?string $opensAt): ?Lock
    {
        $protects = $step->order->protects;
        if ($step->fault !== null) {
            return new Lock(Lock::UNREADABLE, 'Its text cannot be read: '.$step->fault, $protects);
        }
        $waits = $this->waits($step, $before);
        if ($waits !== []) {
            return Lock::waiting($waits, $protects);
        }
        if ($opensAt !== null && $this->known->moment < Calendar::read($opensAt)) {
            return new Lock(
                Lock::TOO_EARLY,
                (new Spoken(['Not before ', [$opensAt, 'at', 'time'], '.']))->in(UnitSystem::Metric, $this->known->timeZone()),
                $protects,
            );
        }

        return null;
    }

    /**
     * @param  array<string, StepState>  $before
     * @return list<Wait>
     */
    private function waits(Step $step, array $before): array
    {
        $waits = [];
        foreach ($step->order->needsGood as $key) {
            $needed = isset($before[$key]) ? Cure::of($before[$key], $before) : null;
            if ($needed !== null && ! \in_array($needed->verdict, [Verdict::Good, Verdict::Close], true)) {
                $waits[] = Wait::forGood($needed);
            }
        }
        foreach ($step->order->after as $key) {
            if (isset($before[$key]) && $before[$key]->fact === null) {
                $waits[] = Wait::forRecord($before[$key]);
            }
        }

        return $waits;
    }

    /** @return list<Reason> what the rules of a step say */
    private function ruled(Step $step): array
    {
        $all = array_merge(...array_map(fn (Rule $rule) => $this->rule($step, $rule), $step->rules));
        if (\count($all) < 2) {
            return $all;
        }
        $reasons = [];
        foreach ($all as $reason) {
            $reasons[$reason->verdict->value.$reason->text->in(UnitSystem::Metric)] ??= $reason;
        }

        return array_values($reasons);
    }

    /** @return list<Reason> */
    private function rule(Step $step, Rule $rule): array
    {
        if ($rule->when?->holds($this->known) === false) {
            $this->known->ruleOut($step->key, $rule->name);

            return [];
        }
        $result = $this->run($step, $rule);
        if ($rule->fault !== null) {
            return [self::unjudged($rule->fault)];
        }
        if ($rule->ruling->computesOnly()) {
            return [];
        }
        if ($result instanceof Uncomputed) {
            // What rests on a calculation that refused what was entered says why it did: nothing is missing.
            $rests = \in_array($step->inWords(), $result->missing, true);
            $cause = ($rests ? $this->known->refusal($step->key) : null) ?? $result;

            return [
                new Reason(
                    Verdict::Open,
                    $cause->why,
                    Spoken::plain($cause->do),
                    $rule->telling->limit($this->known),
                    $cause->entered && ! $step->kind->comesInParts(),
                ),
            ];
        }
        $verdict = $rule->ruling->verdict($result, $this->known);

        if (! $rule->ruling->counts($verdict)) {
            return [];
        }
        $reasons = $rule->telling->of($verdict, $result, $this->known);

        return $verdict === Verdict::Bad && $rule->curedBy !== null
            ? array_map(fn (Reason $r) => $r->curedBy($rule->curedBy), $reasons)
            : $reasons;
    }

    /** @return array<string, mixed>|Uncomputed */
    private function run(Step $step, Rule $rule): array|Uncomputed
    {
        $result = $rule->compute($this->known, $this->registry);
        if (\is_array($result)) {
            $this->known->computed($step->key, $rule->name, $result);
        } else {
            $this->known->uncomputed($step->key, $rule->name, $result);
        }

        return $result;
    }
}
