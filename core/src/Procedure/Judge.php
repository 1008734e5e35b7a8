<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
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
                $states[$step->key()] = $this->step($step, $states);
            }
        }
        $next = null;
        foreach ($states as $key => $state) {
            $retry = $state->verdict === Verdict::Bad && $state->status === 'done' && ($this->procedure->step($key)?->raw['retry'] ?? true);
            if ($next === null && ($state->status === 'todo' && ! $state->optional || $retry)) {
                $next = $key;
            }
        }

        return new Judgement($this->procedure, $states, $next, $this->clocks(), $this->now);
    }

    private function applies(Step $step): bool
    {
        foreach ($step->raw['when'] ?? [] as $condition) {
            $value = $this->bindings->value($condition['of'], $step);
            if (array_key_exists('is', $condition) && $value !== $condition['is']) {
                return false;
            }
            if ((isset($condition['min']) || isset($condition['max'])) && (! is_numeric($value)
                || (isset($condition['min']) && $value < $condition['min']) || (isset($condition['max']) && $value > $condition['max']))) {
                return false;
            }
        }

        return true;
    }

    /** @param  array<string, StepState>  $before */
    private function step(Step $step, array $before): StepState
    {
        $fact = $this->facts->at($step->key());
        $locked = $this->lock($step, $before);
        $reasons = [];
        $verdicts = [];
        $guide = [];
        foreach ($step->raw['guide'] ?? [] as $item) {
            $result = $this->calculate($item, $step);
            if (is_array($result) && isset($item['text'])) {
                $guide[] = new Reason(Verdict::Good, $item['text'], '', $this->bindings->values($step, $item['calc']));
            }
        }
        if ($fact !== null) {
            array_push($reasons, ...$this->own($step, $fact), ...$this->order($step, $fact, $before));
            foreach ($step->raw['judge'] ?? [] as $item) {
                array_push($reasons, ...$this->calculated($item, $step));
            }
            $verdicts = array_map(fn (Reason $r) => $r->verdict, $reasons);
        }
        $judging = $step->kind !== 'note' || $reasons !== [];
        $verdict = match (true) {
            $fact === null => Verdict::Open,
            ! $judging, $verdicts === [] => Verdict::Good,
            default => Verdict::worst(...$verdicts),
        };
        $summary = $fact === null || ! isset($step->raw['summary']) ? null
            : new Reason($verdict, $step->raw['summary'], '', $this->bindings->values($step, null));

        return new StepState(
            $step, $fact === null ? 'todo' : ($step->kind === 'trace' && ! $fact->value['final'] ? 'running' : 'done'),
            $verdict, $fact, $reasons, $guide, $summary, $this->bindings->results($step->key()), $locked,
            Sentence::render($step->title, $this->bindings->values($step, null), UnitSystem::Metric),
        );
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
                $reasons[] = new Reason(Verdict::Bad, $step->raw['once_text'] ?? 'This step was done twice.', $step->raw['once_do'] ?? 'Cut the joint out.', $values);
            }
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
    private function lock(Step $step, array $before): ?string
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

        return null;
    }

    /** @return list<string> the step keys that an id means, seen from a step */
    private function keysOf(string $id, Step $from): array
    {
        $keys = [];
        foreach ($this->procedure->steps as $step) {
            if ($step->id === $id && ($from->side === null || $step->side === null || $step->side === $from->side)) {
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
        if (! is_array($result)) {
            return [new Reason(Verdict::Open, $result, 'Record what is missing.', $values, $limit)];
        }
        $verdict = $this->verdict($item, $result, $step);
        $reasons = [];
        foreach ($item['say'] ?? [] as $say) {
            $forVerdicts = (array) ($say['verdict'] ?? []);
            if ($forVerdicts !== [] && ! in_array($verdict->value, $forVerdicts, true)) {
                continue;
            }
            if (isset($say['has'])) {
                [$key, $wanted] = explode(':', $say['has'], 2);
                $held = $result[$key] ?? [];
                $codes = is_array($held) ? array_map(fn ($h) => is_array($h) ? ($h['code'] ?? null) : $h, $held) : [$held];
                $at = array_search($wanted, $codes, true);
                if ($at === false) {
                    continue;
                }
                $reasons[] = new Reason($verdict, $say['text'], $say['do'] ?? '', [...$values, 'event' => is_array($held) && is_array($held[$at]) ? $held[$at] : []], $limit);

                continue;
            }
            if (isset($say['unless_has_any']) && $reasons !== []) {
                continue;
            }
            $reasons[] = new Reason($verdict, $say['text'], $say['do'] ?? '', $values, $limit);
            break;
        }

        return $reasons !== [] ? $reasons : [new Reason($verdict, $this->plain($verdict, $item, $result), '', $values, $limit)];
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>|string the result, or why it could not be computed
     */
    private function calculate(array $item, Step $step): array|string
    {
        $in = $this->bindings->resolve($item['in'] ?? [], $step);
        $missing = $this->bindings->missing;
        $name = $item['calc_as'] ?? $item['calc'];
        try {
            $result = $this->registry->run($item['calc'], $in);
        } catch (Refused $refused) {
            $this->bindings->remember($step->key(), $name, []);

            return $missing === [] ? $refused->getMessage() : ($item['waits'] ?? 'Cannot be judged yet: '.$this->plainWords($missing).' is not recorded.');
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
        if (isset($result['verdict']) && ($item['own_verdict'] ?? true)) {
            $verdicts[] = Verdict::from($result['verdict']);
        }
        foreach ($item['limits'] ?? [] as $limit) {
            $value = $result[$limit['of']] ?? null;
            $min = isset($limit['min']) ? $this->bindings->value($limit['min'], $step) : null;
            $max = isset($limit['max']) ? $this->bindings->value($limit['max'], $step) : null;
            $u = isset($limit['u']) ? $this->bindings->value($limit['u'], $step) : null;
            if (isset($limit['within'])) {
                $wanted = $this->bindings->value($limit['within'], $step);
                $tolerance = $this->bindings->value($limit['tol'], $step);
                $verdicts[] = is_numeric($value) && is_numeric($wanted) && is_numeric($tolerance)
                    ? Guard::judge(abs((float) $value - (float) $wanted), null, (float) $tolerance, $u ?? 0.0)->verdict : Verdict::Open;
            } elseif (isset($limit['is'])) {
                $verdicts[] = $value === null ? Verdict::Open : ($value === $limit['is'] ? Verdict::Good : Verdict::Bad);
            } else {
                $verdicts[] = Guard::judge($value, $min, $max, $u, $limit['rule'] ?? 'guarded')->verdict;
            }
        }

        return $verdicts === [] ? Verdict::Good : Verdict::worst(...$verdicts);
    }

    /**
     * @param  array<string, mixed>  $item
     * @return array<string, mixed>|null
     */
    private function limit(array $item): ?array
    {
        $name = $item['limit'] ?? null;
        $parameter = $name === null ? null : ($this->procedure->parameters[$name] ?? null);

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
