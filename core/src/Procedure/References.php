<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/**
 * Do the paths of a written procedure lead to a step and a calculation that it has? One that leads nowhere is never known:
 * a condition on it never holds, and what it guards is never asked for.
 */
final class References
{
    /** Forms that name a step. */
    private const NAMING = ['$good', '$bad', '$recorded', '$repeated', '$begun', '$anyBad'];

    /** @var array<string, array<string, true>> id of a step => names of its calculations */
    private array $calculations = [];

    /** @var list<array{path: string, what: string}> */
    private array $faults = [];

    /**
     * @param  array<string, mixed>  $raw  a procedure whose library steps and blocks are written out
     * @return list<array{path: string, what: string}>
     */
    public static function faults(array $raw): array
    {
        $references = new self;
        $steps = array_filter(is_array($raw['steps'] ?? null) ? $raw['steps'] : [], is_array(...));
        foreach ($steps as $step) {
            $references->learn($step);
        }
        foreach ($steps as $i => $step) {
            $references->follow($step, "steps[{$i}]", is_string($step['id'] ?? null) ? $step['id'] : '');
        }
        $references->follow(is_array($raw['clocks'] ?? null) ? $raw['clocks'] : [], 'clocks', '');

        return $references->faults;
    }

    /** @param  array<string, mixed>  $step */
    private function learn(array $step): void
    {
        $id = is_string($step['id'] ?? null) ? $step['id'] : '';
        $this->calculations[$id] ??= [];
        foreach (['guide', 'judge'] as $list) {
            foreach (is_array($step[$list] ?? null) ? $step[$list] : [] as $item) {
                $name = is_array($item) ? $item['calc_as'] ?? $item['calc'] ?? '' : '';
                $this->calculations[$id][is_string($name) ? $name : ''] = true;
            }
        }
    }

    /** @param  array<int|string, mixed>  $node */
    private function follow(array $node, string $path, string $here): void
    {
        foreach ($node as $key => $value) {
            $at = is_int($key) ? "{$path}[{$key}]" : "{$path}.{$key}";
            if (is_array($value)) {
                $this->follow($value, $at, $here);
            } elseif (is_string($value)) {
                in_array($key, self::NAMING, true) ? $this->mustBeStep($value, $at) : $this->path($value, $at, $here);
            }
        }
    }

    private function path(string $value, string $at, string $here): void
    {
        $parts = explode('.', $value);
        match ($parts[0]) {
            '$step' => $this->mustBeStep($parts[1] ?? '', $at),
            '$result' => $this->mustBeCalculation($parts[1] ?? '', $parts[2] ?? '', $at),
            '$here' => $this->mustBeCalculation($here, $parts[1] ?? '', $at),
            default => null,
        };
    }

    private function mustBeStep(string $name, string $at): bool
    {
        $known = isset($this->calculations[explode('@', $name)[0]]);
        if (! $known) {
            $this->faults[] = ['path' => $at, 'what' => "there is no step \"{$name}\" in this procedure"];
        }

        return $known;
    }

    private function mustBeCalculation(string $step, string $name, string $at): void
    {
        if ($this->mustBeStep($step, $at) && ! isset($this->calculations[explode('@', $step)[0]][$name])) {
            $this->faults[] = ['path' => $at, 'what' => "the step \"{$step}\" computes no \"{$name}\""];
        }
    }
}
