<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\Median;
use Diastoma\Core\Verdict;

/**
 * Fills the inputs of a calculation from what is known. A text that starts with `$` is a path:
 * `$fact.x` this step, `$step.ID.x` another step, `$result.ID.CALC.x`, `$param.x`, `$line.x`, `$at`, `$now`.
 * `$side` is the side or round of the step. Forms such as `{"$first": […]}` are described in docs/formats.md. What is not
 * known stays null, never a convenient answer.
 */
final class Bindings
{
    /** What an input may be put together by. */
    public const FORMS = [
        '$rows', '$first', '$earliest', '$most', '$if', '$concat', '$known', '$traces', '$begun', '$anyBad', '$spacing', '$pluck', '$all', '$has', '$good', '$bad', '$some', '$recorded', '$repeated',
    ];

    /** @var array<string, array<string, mixed>> step key => calc => result */
    private array $results = [];

    /** @var array<string, mixed> */
    private array $parameters;

    /** @var array<string, array<string, mixed>|null> step key => value */
    private array $steps = [];

    /** @var array<string, list<Verdict>> step id => how it was judged, one for each side */
    private array $verdicts = [];

    /** @var array<string, list<array{start: string, end: string, verdict: string}>> step key => each of its traces */
    private array $attempts = [];

    /** @var list<string> paths that led to nothing since the last {@see resolve()} */
    public array $missing = [];

    /** @param  array<string, mixed>  $line */
    public function __construct(
        private readonly Procedure $procedure,
        private readonly Facts $facts,
        private readonly array $line,
        private readonly \DateTimeImmutable $now,
    ) {
        $this->parameters = array_map(fn ($p) => $p['value'], $procedure->parameters);
        foreach ($procedure->steps as $step) {
            $this->steps[$step->key()] = $facts->at($step->key())?->value;
        }
    }

    /** @param  array<string, mixed>  $result */
    public function remember(string $step, string $calc, array $result): void
    {
        $this->results[$step][$calc] = $result;
    }

    public function judged(Step $step, Verdict $verdict): void
    {
        $this->verdicts[$step->id][] = $verdict;
    }

    /** One trace of a step and how it was judged by itself. */
    public function attempted(Step $step, Fact $trace, Verdict $verdict): void
    {
        $start = $trace->value['started_at'] ?? null;
        $end = $trace->value['ended_at'] ?? null;
        if (is_string($start) && is_string($end)) {
            $this->attempts[$step->key()][] = ['start' => $start, 'end' => $end, 'verdict' => $verdict->value];
        }
    }

    /** @return array<string, array<string, mixed>> */
    public function results(string $step): array
    {
        return $this->results[$step] ?? [];
    }

    /**
     * @param  array<string, mixed>  $in
     * @return array<string, mixed>
     */
    public function resolve(array $in, Step $step): array
    {
        $this->missing = [];

        return array_filter(array_map(fn ($value) => $this->value($value, $step), $in), fn ($v) => $v !== null);
    }

    /**
     * All that a sentence of this step may name.
     *
     * @return array<string, mixed>
     */
    public function values(Step $step, ?string $calc): array
    {
        return [
            'fact' => $this->facts->at($step->key())->value ?? [],
            'result' => $calc === null ? [] : ($this->results[$step->key()][$calc] ?? []),
            'results' => $this->results,
            'here' => $this->results[$step->key()] ?? [],
            'param' => $this->parameters,
            'line' => $this->line,
            'step' => $this->steps,
            'side' => $step->side === null ? '' : ($this->line['sides'][$step->side] ?? $step->side),
        ];
    }

    public function value(mixed $value, Step $step): mixed
    {
        if (is_array($value)) {
            $form = array_key_first($value);
            if (is_string($form) && str_starts_with($form, '$')) {
                return $this->form($form, $value, $step);
            }

            return array_map(fn ($v) => $this->value($v, $step), $value);
        }
        if (! is_string($value) || ! str_starts_with($value, '$')) {
            return $value;
        }
        $found = $this->path(explode('.', substr($value, 1)), $step);
        if ($found === null) {
            $this->missing[] = $value;
        }

        return $found;
    }

    /** @param  array<string, mixed>  $spec */
    private function form(string $form, array $spec, Step $step): mixed
    {
        $of = $spec[$form];
        $known = fn (): array => array_map(fn ($v) => $this->value($v, $step), $of);

        return match ($form) {
            '$rows' => $this->rows($spec, $step),
            '$first' => $this->firstKnown($of, $step),
            '$earliest' => self::earliest(array_filter($known(), is_string(...))),
            '$most' => max([null, ...array_filter($known(), is_numeric(...))]),
            '$if' => Condition::holds($of, fn (mixed $v) => $this->quietly($v, $step)) ? $this->value($spec['then'] ?? null, $step) : $this->value($spec['else'] ?? null, $step),
            '$concat' => array_merge(...array_map(fn (mixed $list) => is_array($list) ? $list : [], $known())),
            '$known' => array_values(array_filter(array_map(fn (mixed $v) => $this->quietly($v, $step), $of), fn (mixed $v) => is_array($v) ? ! in_array(null, $v, true) : $v !== null)),
            '$traces' => $this->traces($of),
            '$begun' => self::earliest(array_column($this->attempts[$this->sided($of, $step)] ?? [], 'start')),
            '$anyBad' => ($this->attempts[$this->sided($of, $step)] ?? []) === [] ? null : in_array(Verdict::Bad->value, array_column($this->attempts[$this->sided($of, $step)], 'verdict'), true),
            '$spacing' => self::spacing($this->value($of, $step)),
            '$pluck' => array_column($this->facts->at($step->key())->value[strtok($of, '.')] ?? [], substr((string) strrchr($of, '.'), 1)),
            '$all' => self::all($known()),
            '$has' => is_array($list = $this->value($of, $step)) ? array_intersect(array_map(fn ($h) => is_array($h) ? ($h['code'] ?? null) : $h, $list), $spec['any']) !== [] : null,
            '$good' => $this->good($of),
            '$bad' => ($good = $this->good($of)) === null ? null : ! $good,
            '$some' => self::some($known()),
            '$recorded' => isset($this->verdicts[explode('@', $of)[0]]) && $this->facts->at($of) !== null,
            '$repeated' => $this->facts->at($of) === null ? null : $this->facts->tracesAt($of) > 1,
            default => throw new \LogicException("No form {$form}"),
        };
    }

    /** A value that may well be missing: nothing is noted when it is. */
    private function quietly(mixed $value, Step $step): mixed
    {
        $before = $this->missing;
        $found = $this->value($value, $step);
        $this->missing = $before;

        return $found;
    }

    /**
     * Every trace of several steps, each with the part it plays.
     *
     * @param  array<string, string>  $roles  step key => role
     * @return list<array{role: string, start: string, end: string, verdict: string}>
     */
    private function traces(array $roles): array
    {
        $traces = [];
        foreach ($roles as $key => $role) {
            foreach ($this->attempts[$key] ?? [] as $attempt) {
                $traces[] = ['role' => $role] + $attempt;
            }
        }

        return $traces;
    }

    /** True when a step is good or close on all its sides, false when it is bad on one, null when it is not settled. */
    private function good(string $id): ?bool
    {
        return match (Verdict::worst(...($this->verdicts[$id] ?? [Verdict::Open]))) {
            Verdict::Good, Verdict::Close => true,
            Verdict::Bad => false,
            Verdict::Open => null,
        };
    }

    /** @param  list<mixed>  $values */
    private static function all(array $values): ?bool
    {
        return in_array(false, $values, true) ? false : (in_array(null, $values, true) ? null : true);
    }

    /** @param  list<mixed>  $values */
    private static function some(array $values): ?bool
    {
        return in_array(true, $values, true) ? true : (in_array(null, $values, true) ? null : false);
    }

    /** @param  array<string>  $times */
    private static function earliest(array $times): ?string
    {
        usort($times, fn (string $a, string $b) => strtotime($a) <=> strtotime($b));

        return $times[0] ?? null;
    }

    private static function spacing(mixed $rows): ?float
    {
        if (! is_array($rows) || count($rows) < 2) {
            return null;
        }
        $steps = [];
        for ($i = 1, $n = count($rows); $i < $n; $i++) {
            $steps[] = (float) ($rows[$i][0] - $rows[$i - 1][0]);
        }

        return Median::of($steps);
    }

    /** @param  list<mixed>  $candidates */
    private function firstKnown(array $candidates, Step $step): mixed
    {
        foreach ($candidates as $candidate) {
            $found = $this->quietly($candidate, $step);
            if ($found !== null) {
                return $found;
            }
        }
        // What would have been asked for last is named.
        $last = $candidates[count($candidates) - 1] ?? null;
        if (is_string($last)) {
            $this->missing[] = $last;
        }

        return null;
    }

    /** @param  list<string>  $path */
    private function path(array $path, Step $step): mixed
    {
        $root = array_shift($path);
        $from = match ($root) {
            'now' => $this->now->format('Y-m-d\TH:i:sP'),
            'side' => $step->side,
            'here' => $this->results[$step->key()] ?? null,
            'at' => $this->facts->at($step->key())?->at->format('Y-m-d\TH:i:sP'),
            'fact' => $this->facts->at($step->key())?->value,
            'param' => $this->parameters,
            'line' => $this->line,
            'step' => $this->other((string) array_shift($path), $path, $step),
            'result' => $this->results[$this->sided((string) array_shift($path), $step)] ?? null,
            default => null,
        };
        foreach ($path as $key) {
            $from = is_array($from) ? ($from[$key] ?? null) : null;
        }

        return $from;
    }

    /**
     * @param  list<string>  $path
     * @return array<string, mixed>|null
     */
    private function other(string $id, array $path, Step $step): ?array
    {
        $fact = $this->facts->at($this->sided($id, $step));

        return $fact === null ? null : ['@at' => $fact->at->format('Y-m-d\TH:i:sP'), ...$fact->value];
    }

    /** A step done on each side is found on the side at hand, unless the path names one. */
    private function sided(string $id, Step $step): string
    {
        if (! str_contains($id, '@') && $step->side !== null && $this->procedure->step("{$id}@{$step->side}") !== null) {
            return "{$id}@{$step->side}";
        }

        return $id;
    }

    /**
     * @param  array<string, mixed>  $spec
     * @return list<array<string, mixed>>|null
     */
    private function rows(array $spec, Step $step): ?array
    {
        $source = $spec['$rows'];
        $rows = str_starts_with($source, '$') ? $this->path(explode('.', substr($source, 1)), $step) : ($this->facts->at($step->key())->value[$source] ?? null);
        unset($spec['$rows']);
        if (! is_array($rows)) {
            $this->missing[] = $source;

            return null;
        }

        return array_map(function (array $row) use ($spec): array {
            if (isset($row['clock'])) {
                $row['angle'] = Clock::degrees($row['clock']);
                $row['hour'] = $row['angle'] / 30;
            }

            return array_map(fn ($from) => is_string($from) ? ($row[$from] ?? null) : $from, $spec);
        }, array_values($rows));
    }
}
