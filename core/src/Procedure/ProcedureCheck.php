<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** Is a loaded file a procedure that can be worked by? Finds every fault at once, each with its path. */
final class ProcedureCheck
{
    /** @var list<Refused> */
    private array $faults = [];

    /** @var array<string, true> paths that have their fault: one a place */
    private array $faulty = [];

    /** @var array<string, true> */
    private array $ids = [];

    /** @var array<string, true> */
    private array $keys = [];

    /** @param  array<string, mixed>  $raw */
    public static function refuseFaults(array $raw): void
    {
        $check = new self;
        foreach (ClosedText::faults($raw) as $fault) {
            $check->fault($fault['path'], $fault['what']);
        }
        $check->head($raw);
        foreach (is_array($raw['steps'] ?? null) ? $raw['steps'] : [] as $i => $step) {
            $check->step("steps[{$i}]", $step, $raw);
        }
        foreach (References::faults($raw) as $fault) {
            $check->fault($fault['path'], $fault['what']);
        }
        if ($check->faults !== []) {
            throw Refused::together($check->faults);
        }
    }

    /** @param  array<string, mixed>  $raw */
    private function head(array $raw): void
    {
        foreach (['id', 'version', 'title', 'joint_type'] as $key) {
            if (! is_string($raw[$key] ?? null) || trim($raw[$key]) === '') {
                $this->fault($key, 'is missing or no text');
            }
        }
        if (is_string($raw['id'] ?? null) && preg_match('/^[a-z0-9][a-z0-9-]{1,60}$/', $raw['id']) !== 1) {
            $this->fault('id', "\"{$raw['id']}\" must be small letters, digits and hyphens");
        }
        if (! is_array($raw['steps'] ?? null) || $raw['steps'] === [] || ! array_is_list($raw['steps'])) {
            $this->fault('steps', 'must be a list with at least one step');
        }
        foreach (is_array($raw['parameters'] ?? null) ? $raw['parameters'] : [] as $name => $parameter) {
            if (! is_array($parameter) || ! array_key_exists('value', $parameter)) {
                $this->fault("parameters.{$name}", 'needs a value');
            } elseif (! is_string($parameter['source'] ?? null) || ! in_array($parameter['certainty'] ?? null, ['std', 'practice', 'memory', 'project'], true)) {
                $this->fault("parameters.{$name}", 'needs a source and a certainty (std, practice, memory or project)');
            }
        }
    }

    /** @param  array<string, mixed>  $raw */
    private function step(string $path, mixed $step, array $raw): void
    {
        if (! is_array($step)) {
            $this->fault($path, 'must be an object');

            return;
        }
        foreach (['id', 'title'] as $key) {
            if (! is_string($step[$key] ?? null) || $step[$key] === '') {
                $this->fault("{$path}.{$key}", 'is missing');
            }
        }
        $id = (string) ($step['id'] ?? '');
        // The rounds of a repeated step share its id, each with a key of its own.
        foreach ($step['each'] ?? [null] as $side) {
            $key = Step::keyOf($id, $side);
            if (isset($this->keys[$key])) {
                $this->fault("{$path}.id", "\"{$key}\" stands twice");
            }
            $this->keys[$key] = true;
        }
        if (! in_array($step['kind'] ?? null, Step::KINDS, true)) {
            $this->fault("{$path}.kind", 'must be one of '.implode(', ', Step::KINDS));
        }
        foreach (['after', 'needs_good'] as $key) {
            foreach ($step[$key] ?? [] as $other) {
                if (! isset($this->ids[$other]) && ! isset($this->keys[$other])) {
                    $this->fault("{$path}.{$key}", "\"{$other}\" is no earlier step");
                }
            }
        }
        $this->ids[$id] = true;
        if (($step['kind'] ?? null) === 'round' && (! is_array($step['positions'] ?? null) || count($step['positions']) < 2 || count($step['fields'] ?? []) !== 1)) {
            $this->fault("{$path}.positions", 'a round needs at least two clock positions and exactly one field');
        }
        foreach ($step['fields'] ?? [] as $i => $field) {
            $this->field("{$path}.fields[{$i}]", $field);
        }
        foreach (['guide', 'judge'] as $list) {
            foreach ($step[$list] ?? [] as $i => $judge) {
                $this->calculation("{$path}.{$list}[{$i}]", $judge, $raw);
                $this->conditions("{$path}.{$list}[{$i}].when", $judge['when'] ?? []);
            }
        }
        $this->conditions("{$path}.when", $step['when'] ?? []);
        $this->conditions("{$path}.once_unless", $step['once_unless'] ?? []);
        foreach ($step['cautions'] ?? [] as $i => $caution) {
            if (is_array($caution)) {
                is_string($caution['text'] ?? null) || $this->fault("{$path}.cautions[{$i}].text", 'is missing');
                $this->conditions("{$path}.cautions[{$i}].when", $caution['when'] ?? []);
            }
        }
    }

    private function conditions(string $path, mixed $conditions): void
    {
        if (! is_array($conditions) || ! array_is_list($conditions)) {
            $this->fault($path, 'must be a list of conditions');

            return;
        }
        foreach ($conditions as $i => $condition) {
            $words = is_array($condition) ? array_intersect(array_keys($condition), array_slice(Condition::WORDS, 1, -1)) : [];
            if (! isset($condition['any']) && (! isset($condition['of']) || $words === [])) {
                $this->fault("{$path}[{$i}]", 'must be an object with "of" and one of '.implode(', ', array_slice(Condition::WORDS, 1, -1)).', or with "any"');
            } elseif (isset($condition['any'])) {
                $this->conditions("{$path}[{$i}].any", $condition['any']);
            }
        }
    }

    private function field(string $path, mixed $field): void
    {
        if (! is_array($field) || ! is_string($field['key'] ?? null)) {
            $this->fault("{$path}.key", 'is missing');

            return;
        }
        if (isset($field['type']) && ! in_array($field['type'], FieldSpec::TYPES, true)) {
            $this->fault("{$path}.type", 'must be one of '.implode(', ', FieldSpec::TYPES));
        }
        if (isset($field['quantity'])) {
            $quantity = Quantity::tryFrom((string) $field['quantity']);
            if ($quantity === null) {
                $this->fault("{$path}.quantity", "\"{$field['quantity']}\" is no quantity");
            } elseif (array_filter(array_keys($quantity->units()), fn ($s) => str_ends_with($field['key'], '_'.$s)) === []) {
                $this->fault("{$path}.key", "\"{$field['key']}\" must end in a unit of {$quantity->value}");
            }
        }
    }

    /** @param  array<string, mixed>  $raw */
    private function calculation(string $path, mixed $judge, array $raw): void
    {
        $name = is_array($judge) ? ($judge['calc'] ?? null) : null;
        if (! is_string($name) || ! Registry::standard()->has($name)) {
            $this->fault("{$path}.calc", '"'.(is_string($name) ? $name : '').'" is no calculation');

            return;
        }
        if (! is_array($judge['in'] ?? [])) {
            $this->fault("{$path}.in", 'must be an object');

            return;
        }
        if (($judge['own_verdict'] ?? true) === false && ($judge['limits'] ?? []) === [] && ($judge['judges'] ?? true) !== false) {
            $this->fault("{$path}.own_verdict", 'is false and there are no limits: nothing would be judged');
        }
        if (($judge['say'] ?? null) === []) {
            $this->fault("{$path}.say", 'is empty: leave it out, or say something');
        }
        $in = $judge['in'] ?? [];
        $this->forms("{$path}.in", $in);
        array_walk_recursive($in, function (mixed $value) use ($path, $raw): void {
            if (is_string($value) && str_starts_with($value, '$param.') && ! isset($raw['parameters'][substr($value, 7)])) {
                $this->fault("{$path}.in", "\"{$value}\" is not among the parameters");
            }
        });
    }

    /** @param  array<int|string, mixed>  $in */
    private function forms(string $path, array $in): void
    {
        foreach ($in as $key => $value) {
            if (is_string($key) && str_starts_with($key, '$') && ! in_array($key, Bindings::FORMS, true)) {
                $this->fault("{$path}.{$key}", "\"{$key}\" is no form; known are ".implode(', ', Bindings::FORMS));
            }
            if (is_array($value)) {
                $this->forms("{$path}.{$key}", $value);
            }
        }
    }

    private function fault(string $path, string $what): void
    {
        if (isset($this->faulty[$path]) || count($this->faults) >= ClosedText::MOST) {
            return;
        }
        $this->faulty[$path] = true;
        $this->faults[] = Refused::field($path, "{$path}: {$what}".(str_ends_with($what, '?') ? '' : '.'));
    }
}
