<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Round\Clock;

/**
 * Fills the inputs of a calculation from what is known. A text that starts with `$` is a path:
 * `$fact.x` this step, `$step.ID.x` another step, `$result.ID.CALC.x`, `$param.x`, `$line.x`, `$at`, `$now`.
 * `{"$rows": "readings", "d_mm": "value_mm", "angle_deg": "angle"}` turns the rows of a round into a calculation's rows;
 * `$pluck` takes one column, `$first` the first that is known, `$earliest` the earliest time.
 */
final class Bindings
{
    /** @var array<string, array<string, mixed>> step key => calc => result */
    private array $results = [];

    /** @var array<string, mixed> */
    private array $parameters;

    /** @var array<string, array<string, mixed>|null> step key => value */
    private array $steps = [];

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
            if (isset($value['$rows'])) {
                return $this->rows($value, $step);
            }
            if (isset($value['$earliest'])) {
                $known = array_filter(array_map(fn ($v) => $this->value($v, $step), $value['$earliest']), is_string(...));
                usort($known, fn (string $a, string $b) => strtotime($a) <=> strtotime($b));

                return $known[0] ?? null;
            }
            if (isset($value['$pluck'])) {
                [$list, $key] = explode('.', $value['$pluck'], 2);

                return array_column($this->facts->at($step->key())->value[$list] ?? [], $key);
            }
            if (isset($value['$first'])) {
                return $this->firstKnown($value['$first'], $step);
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

    /** @param  list<mixed>  $candidates */
    private function firstKnown(array $candidates, Step $step): mixed
    {
        foreach ($candidates as $candidate) {
            $before = $this->missing;
            $found = $this->value($candidate, $step);
            $this->missing = $before;
            if ($found !== null) {
                return $found;
            }
        }
        $this->missing[] = (string) json_encode($candidates);

        return null;
    }

    /** @param  list<string>  $path */
    private function path(array $path, Step $step): mixed
    {
        $root = array_shift($path);
        $from = match ($root) {
            'now' => $this->now->format('Y-m-d\TH:i:sP'),
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
