<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Kind\Kinds;
use Diastoma\Core\Procedure\Parameter;
use Diastoma\Core\Procedure\Step;

/**
 * What a procedure has names for: its steps with their fields and calculations, and its parameters.
 *
 * @phpstan-import-type StepText from AsWritten
 * @phpstan-import-type FieldText from AsWritten
 */
final class Vocabulary
{
    /** @var array<string, StepText> step key, and id for the first of it => the step as the file states it */
    private array $steps = [];

    /** @var array<string, int> step id => where its first step stands */
    private array $firstAt = [];

    /** @var array<string, int> step key => where it stands among all that are done */
    private array $order = [];

    /**
     * Step key => name of a calculation => it and its first place.
     *
     * @var array<string, array<string, array{calculation: string, at: int}>>
     */
    private array $rules = [];

    /** @var array<string, string> step key => path of the step that has it */
    private array $claimed = [];

    /** @var array<string, true> names of parameters that something reads */
    private array $read = [];

    /**
     * @param  array<int, StepText>  $steps  as the file states them
     * @param  array<string, Parameter>  $parameters
     * @param  bool  $isFrozen  a text that was taken earlier, by the rules of that day
     */
    public function __construct(array $steps, public readonly array $parameters, public readonly bool $isFrozen)
    {
        foreach ($steps as $i => $step) {
            $id = $step['id'];
            $this->steps[$id] ??= $step;
            $this->firstAt[$id] ??= $i;
            foreach ($step['each'] ?? [null] as $side) {
                $key = Step::keyOf($id, $side);
                $this->order[$key] ??= \count($this->order);
                $this->steps[$key] ??= $step;
                foreach ([...array_values($step['guide'] ?? []), ...array_values($step['judge'] ?? [])] as $at => $rule) {
                    $this->rules[$key][$rule['calc_as'] ?? $rule['calc']] ??= ['calculation' => $rule['calc'], 'at' => $at];
                }
            }
        }
    }

    /** Whether a step is the first of its key: a second one would never be found. */
    public function claims(string $key, string $path): bool
    {
        return ($this->claimed[$key] ??= $path) === $path;
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_keys($this->firstAt);
    }

    public function hasStep(string $id): bool
    {
        return isset($this->steps[$id]);
    }

    public function title(string $key): string
    {
        return (string) preg_replace('/,?\s*\{side\}/', '', $this->steps[$key]['title']);
    }

    /** Where a step stands among all that are done; null when there is no such key. */
    public function position(string $key): ?int
    {
        return $this->order[$key] ?? null;
    }

    /** Does a step come after another one, and not in a round that goes over both again? */
    public function comesLater(string $key, string $than): bool
    {
        [$id, $other] = [self::idOf($key), self::idOf($than)];

        return $id !== $other && ($this->order[$key] ?? 0) > ($this->order[$than] ?? 0) && $this->firstAt[$id] > $this->firstAt[$other];
    }

    public static function idOf(string $key): string
    {
        return explode('@', $key, 2)[0];
    }

    /**
     * The keys that an id or key means, seen from a side: its own where the step is done on that side, else all.
     *
     * @return list<string>
     */
    public function keys(string $name, ?string $from): array
    {
        if (isset($this->order[$name])) {
            return [$name];
        }
        $all = array_values(array_filter(array_keys($this->order), fn (string $key) => self::idOf($key) === $name));
        $own = "{$name}@{$from}";

        return \in_array($own, $all, true) ? [$own] : $all;
    }

    /** @return list<string> sides on which a step is done; none for a step without sides */
    public function sides(string $id): array
    {
        $sides = array_map(fn (string $key) => substr((string) strstr($key, '@'), 1), $this->keys($id, null));

        return array_values(array_filter($sides, fn (string $side) => $side !== ''));
    }

    /** @return list<string> names of the calculations of a step */
    public function rules(string $key): array
    {
        return array_keys($this->rules[$key] ?? []);
    }

    public function calculation(string $key, string $rule): string
    {
        return $this->rules[$key][$rule]['calculation'];
    }

    /** First place of a calculation among those of its step. */
    public function rulePosition(string $key, string $rule): int
    {
        return $this->rules[$key][$rule]['at'];
    }

    /** @return FieldText|null the field of a step as the file states it */
    public function field(string $step, string $key): ?array
    {
        foreach ($this->steps[$step]['fields'] ?? [] as $field) {
            if ($field['key'] === $key) {
                return $field;
            }
        }

        return null;
    }

    /** @return list<string> what the fact of a step may hold */
    public function factKeys(string $key): array
    {
        return [...array_column($this->steps[$key]['fields'] ?? [], 'key'), ...Kinds::all()[$this->steps[$key]['kind']]::keys()];
    }

    /**
     * What the value of a field may hold in turn: that of a thing out of the stores.
     *
     * @param  FieldText  $field
     * @return list<string>
     */
    public static function within(array $field): array
    {
        $file = 'stores/'.($field['of'] ?? '').'.json';
        if (($field['type'] ?? '') !== 'item' || ! \in_array($file, Data::files('stores'), true)) {
            return [];
        }
        /** @var list<array{key: string}> $fields */
        $fields = Data::json($file)['fields'];

        return ['id', 'name', ...array_column($fields, 'key')];
    }

    public function reads(string $parameter): void
    {
        $this->read[$parameter] = true;
    }

    /** @return list<string> names of parameters that nothing reads */
    public function unread(): array
    {
        return array_keys(array_diff_key($this->parameters, $this->read));
    }
}
