<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/**
 * Facts and a procedure in, a judgement out. One engine for joints, sections and tests: it knows kinds of steps,
 * never kinds of joints. A missing fact is open, never good.
 */
final class Judge
{
    private Bindings $bindings;

    private Facts $facts;

    private function __construct(
        private readonly Procedure $procedure,
        private readonly Registry $registry,
        private readonly \DateTimeImmutable $now,
    ) {
    }

    /**
     * @param  list<Fact>  $facts  in the order in which they were stored
     * @param  array<string, mixed>  $line  what is known of the line at this place
     */
    public static function judge(Procedure $procedure, array $facts, array $line, \DateTimeImmutable $now, ?Registry $registry = null): Judgement
    {
        $judge = new self($procedure, $registry ?? Registry::standard(), $now);
        $judge->facts = new Facts($facts, $procedure);
        $judge->bindings = new Bindings($procedure, $judge->facts, $line, $now);

        return $judge->run();
    }

    private function run(): Judgement
    {
        $states = [];
        foreach ($this->procedure->steps as $step) {
            if ($this->applies($step)) {
                $state = $states[$step->key()] = $this->step($step, $states);
                $this->bindings->judged($step, $state->verdict);
            }
        }
        $next = null;
        foreach ($states as $key => $state) {
            $retry = $state->verdict === Verdict::Bad && $state->status === 'done' && ($this->procedure->step($key)?->raw['retry'] ?? true);
            $unusable = array_filter($state->reasons, fn (Reason $r) => $r->unusable) !== [];
            if ($next === null && ($state->status !== 'done' && ! $state->optional || $retry || $unusable || $state->again)) {
                $next = $key;
            }
        }

        return new Judgement($this->procedure, $states, $next, $this->clocks(), $this->now);
    }

    private function applies(Step $step): bool
    {
        return $this->holds($step->raw['when'] ?? [], $step);
    }

    /** @param  list<array<string, mixed>>  $conditions */
    private function holds(array $conditions, Step $step): bool
    {
        return $conditions === [] || Condition::holds($conditions, fn (mixed $v) => $this->bindings->value($v, $step));
    }

    /** @param  array<string, StepState>  $before */
    private function step(Step $step, array $before): StepState
    {
        $fact = $this->facts->at($step->key());
        $guide = [];
        foreach ($step->raw['guide'] ?? [] as $item) {
            if ($this->holds($item['when'] ?? [], $step)) {
                $result = $this->calculate($item, $step);
                if (is_array($result) && isset($item['text'])) {
                    $guide[] = new Reason(Verdict::Good, $item['text'], '', $this->bindings->values($step, $item['calc_as'] ?? $item['calc']));
                }
            }
        }
        $opensAt = isset($step->raw['not_before']) ? $this->bindings->value($step->raw['not_before'], $step) : null;
        $opensAt = is_string($opensAt) ? $opensAt : null;
        $reasons = $fact === null ? [] : $this->reasons($step, $fact, $before, $opensAt);
        $verdicts = array_map(fn (Reason $r) => $r->verdict, $reasons);
        $verdict = match (true) {
            $fact === null => Verdict::Open,
            $verdicts === [] => Verdict::Good,
            default => Verdict::worst(...$verdicts),
        };
        $summary = $fact === null || ! isset($step->raw['summary']) ? null : $this->summary($step, $verdict);
        $status = $fact === null ? 'todo' : ($step->kind === 'trace' && ! $fact->value['final'] ? 'running' : 'done');

        return new StepState(
            $step, $status, $verdict, $fact, $reasons, $guide, $summary, $this->bindings->results($step->key()), $this->bound($step->raw['device_in'] ?? null, $step), $this->bound($step->raw['model_in'] ?? null, $step),
            $this->lock($step, $before, $opensAt), $opensAt, $this->cautions($step),
            isset($step->raw['figure']) ? ['shape' => $step->raw['figure']['shape']] + ($this->bound($step->raw['figure']['in'], $step) ?? []) : null,
            $status === 'done' && $this->facts->tracesAt($step->key()) === 1 && $this->repeatPermitted($step),
            Sentence::render($step->title, $this->bindings->values($step, null), UnitSystem::Metric),
        );
    }

    /** Of several ways to put it the first for which all is known. */
    private function summary(Step $step, Verdict $verdict): Reason
    {
        $values = $this->bindings->values($step, null);
        $ways = (array) $step->raw['summary'];
        foreach ($ways as $way) {
            if (Sentence::knows($way, $values)) {
                break;
            }
        }

        return new Reason($verdict, $way ?? '', '', $values);
    }

    /**
     * @param  array<string, StepState>  $before
     * @return list<Reason> the worst first
     */
    private function reasons(Step $step, Fact $fact, array $before, ?string $opensAt): array
    {
        // A trace that was broken off and made again is judged by itself too: it is part of the joint's story.
        $calculated = [];
        foreach ($this->facts->attempts($step->key()) ?: [$fact] as $attempt) {
            $this->facts->show($step->key(), $attempt);
            $calculated = $this->judged($step);
            $this->bindings->attempted($step, $attempt, Verdict::worst(Verdict::Good, ...array_map(fn (Reason $r) => $r->verdict, $calculated)));
        }
        if ($step->kind === 'trace' && ! $fact->value['final']) {
            // What is bad already is said while it runs; what is open waits for its end.
            $calculated = array_filter($calculated, fn (Reason $r) => $r->verdict !== Verdict::Open);
        }
        $reasons = [...$this->own($step, $fact), ...$this->order($step, $fact, $before), ...$this->tooEarly($step, $fact, $opensAt), ...$calculated];
        usort($reasons, fn (Reason $a, Reason $b) => $a->verdict->urgency() <=> $b->verdict->urgency());

        return $reasons;
    }

    /** @return list<Reason> what the calculations of a step say */
    private function judged(Step $step): array
    {
        $reasons = [];
        foreach ($step->raw['judge'] ?? [] as $item) {
            if ($this->holds($item['when'] ?? [], $step)) {
                array_push($reasons, ...$this->calculated($item, $step));
            }
        }

        return $reasons;
    }

    /** @return list<Reason> */
    private function tooEarly(Step $step, Fact $fact, ?string $opensAt): array
    {
        if ($opensAt === null || $fact->at >= new \DateTimeImmutable($opensAt)) {
            return [];
        }
        $raw = $step->raw['early'] ?? [];
        $values = ['opens_at' => $opensAt, 'at' => $fact->at->format('Y-m-d\TH:i:sP')] + $this->bindings->values($step, null);

        return [new Reason(Verdict::from($raw['verdict'] ?? 'bad'), $raw['text'] ?? 'Done at {at|time}, not allowed before {opens_at|time}.', $raw['do'] ?? 'An engineer decides whether it can stand.', $values)];
    }

    /** May a step that is done only once be done again, by a permit of this procedure? */
    private function repeatPermitted(Step $step): bool
    {
        return ($step->raw['once'] ?? false) && isset($step->raw['once_unless']) && $this->holds($step->raw['once_unless'], $step);
    }

    /** @return list<string> those that apply here */
    private function cautions(Step $step): array
    {
        $cautions = [];
        foreach ($step->raw['cautions'] ?? [] as $caution) {
            if (is_string($caution)) {
                $cautions[] = $caution;
            } elseif ($this->holds($caution['when'] ?? [], $step)) {
                $cautions[] = $caution['text'];
            }
        }

        return $cautions;
    }

    /**
     * What the device of a step must be told, what its model is to be run with, what its figure shows; what is not
     * known yet is left out.
     *
     * @param  array<string, mixed>|null  $in
     * @return array<string, mixed>|null
     */
    private function bound(?array $in, Step $step): ?array
    {
        return $in === null ? null : $this->bindings->resolve($in, $step);
    }

    /**
     * What a kind of step says by itself.
     *
     * @return list<Reason>
     */
    private function own(Step $step, Fact $fact): array
    {
        $values = $this->bindings->values($step, null);
        $reasons = [];
        if ($step->kind === 'hold') {
            $reasons[] = ($fact->value['signed'] ?? null) === true
                ? new Reason(Verdict::Good, "Signed by {$fact->by}.", '', $values)
                : new Reason(Verdict::Bad, "{$fact->by} refused to sign: ".($fact->value['remark'] ?? 'no reason written').'.', $step->raw['refused_do'] ?? 'Put it right, or cut the joint out.', $values);
        }
        if ($step->kind === 'trace') {
            if (! $fact->value['final']) {
                $reasons[] = new Reason(Verdict::Open, 'The trace is not complete.', 'Wait until the last part has come, or load the file from the device.', $values);
            }
            if (($step->raw['once'] ?? false) && $this->facts->tracesAt($step->key()) > 1) {
                $reasons[] = $this->facts->tracesAt($step->key()) === 2 && $this->repeatPermitted($step)
                    ? new Reason(Verdict::Close, $step->raw['once_permitted'] ?? 'Done twice, by permit.', '', $values)
                    : new Reason(Verdict::Bad, $step->raw['once_text'] ?? 'This step was done twice.', $step->raw['once_do'] ?? 'Cut the joint out.', $values);
            }
        }
        $wanted = $step->raw['photo']['wanted'] ?? false;
        if ((is_array($wanted) ? $this->holds($wanted, $step) : $wanted) && ($fact->value['photos'] ?? []) === []) {
            $reasons[] = new Reason(Verdict::Open, 'A photo is wanted: '.$step->raw['photo']['of'].'.', 'Take it before the joint is covered.', $values);
        }
        foreach ($step->fields as $field) {
            $value = $fact->value[$field->key] ?? null;
            if ($field->type === 'yesno' && $field->want !== null && $value !== null && $value !== $field->want) {
                $raw = $this->rawField($step, $field->key);
                $reasons[] = new Reason(Verdict::from($raw['otherwise'] ?? 'bad'), $raw['bad'] ?? "{$field->label}: ".($value ? 'yes' : 'no').'.', $raw['do'] ?? '', $values);
            }
            foreach ($field->type === 'choice' ? $field->options : [] as $option) {
                if ($option['value'] === $value && isset($option['verdict']) && $option['verdict'] !== 'good') {
                    $reasons[] = new Reason(Verdict::from($option['verdict']), $option['bad'] ?? "{$field->label}: {$option['label']}.", $option['do'] ?? '', $values);
                }
            }
        }

        return $reasons;
    }

    /** @return array<string, mixed> */
    private function rawField(Step $step, string $key): array
    {
        foreach ($step->raw['fields'] as $raw) {
            if ($raw['key'] === $key) {
                return $raw;
            }
        }

        return [];
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
        foreach ($step->raw['after'] ?? [] as $id) {
            foreach ($this->keysOf($id, $step) as $key) {
                if (! isset($before[$key])) {
                    continue;
                }
                $first = $this->facts->firstAt($key);
                if ($first === null || $first > ($this->facts->firstAt($step->key()) ?? $fact->at)) {
                    $reasons[] = new Reason(Verdict::Open, "Recorded before \"{$before[$key]->title()}\", which must come first.", 'An engineer decides whether the joint can stand.', []);
                }
            }
        }

        return $reasons;
    }

    /** @param  array<string, StepState>  $before */
    private function lock(Step $step, array $before, ?string $opensAt): ?string
    {
        foreach ($step->raw['needs_good'] ?? [] as $id) {
            foreach ($this->keysOf($id, $step) as $key) {
                $verdict = $before[$key]->verdict ?? Verdict::Good;
                if ($verdict !== Verdict::Good && $verdict !== Verdict::Close) {
                    return "\"{$before[$key]->title()}\" must be good first.";
                }
            }
        }
        foreach ($step->raw['after'] ?? [] as $id) {
            foreach ($this->keysOf($id, $step) as $key) {
                if (isset($before[$key]) && $before[$key]->fact === null) {
                    return "\"{$before[$key]->title()}\" comes first.";
                }
            }
        }
        if ($opensAt !== null && $this->now < new \DateTimeImmutable($opensAt)) {
            $zone = $this->bindings->value('$line.time_zone', $step);

            return Sentence::render('Not before {at|time}.', ['at' => $opensAt], UnitSystem::Metric, is_string($zone) ? new \DateTimeZone($zone) : null);
        }

        return null;
    }

    /** @return list<string> the step keys that an id means, seen from a step */
    private function keysOf(string $id, Step $from): array
    {
        $keys = [];
        foreach ($this->procedure->steps as $step) {
            if ($step->key() === $id || $step->id === $id && ($from->side === null || $step->side === null || $step->side === $from->side)) {
                $keys[] = $step->key();
            }
        }

        return $keys;
    }

    /**
     * One calculation of a step, turned into reasons.
     *
     * @param  array<string, mixed>  $item
     * @return list<Reason>
     */
    private function calculated(array $item, Step $step): array
    {
        $result = $this->calculate($item, $step);
        if (($item['judges'] ?? true) === false) {
            return [];
        }
        $values = $this->bindings->values($step, $item['calc_as'] ?? $item['calc']);
        $limit = $this->limit($item);
        if ($result instanceof Uncomputed) {
            return [new Reason(Verdict::Open, $result->why, $result->do, $values, $limit, $result->entered && $step->kind !== 'trace')];
        }
        $verdict = $this->verdict($item, $result, $step);
        if (is_array($item['judges'] ?? true) && ! in_array($verdict->value, $item['judges'], true)) {
            return [];
        }
        $reasons = [];
        foreach ($item['say'] ?? [] as $say) {
            // A sentence may stand on another limit than its calculation, or on none (false).
            $limit = array_key_exists('limit', $say) ? $this->limit($say) : $this->limit($item);
            $forVerdicts = (array) ($say['verdict'] ?? []);
            if ($forVerdicts !== [] && ! in_array($verdict->value, $forVerdicts, true)) {
                continue;
            }
            if (isset($say['has'])) {
                [$key, $wanted] = [...explode(':', $say['has'], 2), null];
                $held = $result[$key] ?? [];
                $codes = array_map(fn ($h) => (string) (is_array($h) ? ($h['code'] ?? '') : $h), is_array($held) ? $held : [$held]);
                $at = $wanted === null ? array_key_first($codes) : array_search($wanted, $codes, true);
                if ($at === false || $at === null) {
                    continue;
                }
                $reasons[] = new Reason($verdict, $say['text'], $say['do'] ?? '', [...$values, 'event' => is_array($held) && is_array($held[$at]) ? $held[$at] : []], $limit);

                continue;
            }
            // A sentence for the verdict as a whole is for what no code has told.
            if ($reasons !== []) {
                break;
            }
            $reasons[] = new Reason($verdict, $say['text'], $say['do'] ?? '', $values, $limit);
            break;
        }

        return $reasons !== [] ? $reasons : [new Reason($verdict, $this->plain($verdict, $item, $result), '', $values, $limit)];
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>|Uncomputed
     */
    private function calculate(array $item, Step $step): array|Uncomputed
    {
        $in = $this->bindings->resolve($item['in'] ?? [], $step);
        $missing = $this->bindings->missing;
        $name = $item['calc_as'] ?? $item['calc'];
        try {
            $result = $this->registry->run($item['calc'], $in);
        } catch (Refused $refused) {
            $this->bindings->remember($step->key(), $name, []);

            return $missing === [] ? Uncomputed::refused($refused, $item['in'] ?? [])
                : Uncomputed::missing($item['waits'] ?? 'Cannot be judged yet: '.$this->plainWords($missing).' is not recorded.');
        }
        $this->bindings->remember($step->key(), $name, $result);

        return $result;
    }

    /** @param  list<string>  $paths */
    private function plainWords(array $paths): string
    {
        $words = [];
        foreach ($paths as $path) {
            $parts = explode('.', ltrim($path, '$'));
            $step = in_array($parts[0], ['step', 'result'], true) ? $this->procedure->step($parts[1] ?? '') : null;
            $words[] = $step !== null ? "\"{$step->title}\"" : str_replace('_', ' ', end($parts));
        }

        return implode(', ', array_unique($words));
    }

    /**
     * @param  array<string, mixed>  $item
     * @param  array<string, mixed>  $result
     */
    private function verdict(array $item, array $result, Step $step): Verdict
    {
        $verdicts = [];
        if ($item['own_verdict'] ?? true) {
            array_push($verdicts, ...$this->said($item, $result));
        }
        foreach ($item['limits'] ?? [] as $limit) {
            $value = $result[$limit['of']] ?? null;
            $bound = fn (string $name): mixed => isset($limit[$name]) ? $this->sameUnit($limit['of'], $limit[$name], $step) : null;
            $u = $bound('u');
            if (isset($limit['within'])) {
                $wanted = $bound('within');
                $tolerance = $bound('tol');
                $verdicts[] = is_numeric($value) && is_numeric($wanted) && is_numeric($tolerance)
                    ? Guard::judge(abs((float) $value - (float) $wanted), null, (float) $tolerance, $u)->verdict : Verdict::Open;
            } elseif (isset($limit['is'])) {
                $verdicts[] = $value === null ? Verdict::Open : ($value === $limit['is'] ? Verdict::Good : Verdict::Bad);
            } else {
                $verdicts[] = Guard::judge($value, $bound('min'), $bound('max'), $u, $limit['rule'] ?? 'guarded')->verdict;
            }
        }

        $verdict = $verdicts === [] ? Verdict::Good : Verdict::worst(...$verdicts);
        $excuse = $item['excuse'] ?? null;
        if ($excuse !== null && $verdict === Verdict::Bad && array_diff((array) ($result[$excuse['of']] ?? []), $excuse['codes']) === [] && $this->holds($excuse['when'], $step)) {
            return Verdict::from($excuse['as']);
        }

        return $verdict;
    }

    /**
     * What a calculation says by itself. One that can judge and did not, because something that only its verdict needs
     * was missing, has said open; null is said where it left the judging to the limits beside it.
     *
     * @param  array<string, mixed>  $item
     * @param  array<string, mixed>  $result
     * @return list<Verdict>
     */
    private function said(array $item, array $result): array
    {
        if (! in_array('verdict', $this->registry->about($item['calc'])->gives, true)) {
            return [];
        }
        $said = Verdict::tryFrom((string) ($result['verdict'] ?? ''));
        $leftToLimits = array_key_exists('verdict', $result) && ($item['limits'] ?? []) !== [];

        return $said !== null ? [$said] : ($leftToLimits ? [] : [Verdict::Open]);
    }

    /** A limit in the unit of what it limits: `mark_mm` of a fact against `mark_m` of a result. */
    private function sameUnit(string $of, mixed $limit, Step $step): mixed
    {
        $value = $this->bindings->value($limit, $step);
        if (! is_string($limit) || ! is_numeric($value)) {
            return $value;
        }
        [, $wanted] = Display::unitOf($of);
        [, $given] = Display::unitOf(substr((string) strrchr('.'.$limit, '.'), 1));

        return $wanted === null || $given === null || $wanted === $given || $wanted->quantity !== $given->quantity
            ? $value : $wanted->fromSi($given->toSi((float) $value));
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>|null
     */
    private function limit(array $item): ?array
    {
        $name = $item['limit'] ?? null;
        $parameter = is_string($name) ? ($this->procedure->parameters[$name] ?? null) : null;

        return $parameter === null ? null : ['name' => $name] + $parameter;
    }

    /**
     * @param  array<string, mixed>  $item
     * @param  array<string, mixed>  $result
     */
    private function plain(Verdict $verdict, array $item, array $result): string
    {
        $about = $this->registry->about($item['calc']);
        $why = array_filter((array) ($result['reasons'] ?? $result['why'] ?? $result['fails'] ?? $result['failed'] ?? []), is_string(...));
        $question = rtrim($about->title, '?');

        return $question.': '.$verdict->value.($why === [] ? '.' : ' ('.implode(', ', $why).').');
    }

    /** @return array<string, string> */
    private function clocks(): array
    {
        $clocks = [];
        foreach ($this->procedure->raw['clocks'] ?? [] as $name => $path) {
            $value = $this->bindings->value($path, $this->procedure->steps[0]);
            if (is_string($value)) {
                $clocks[$name] = $value;
            }
        }

        return $clocks;
    }
}
