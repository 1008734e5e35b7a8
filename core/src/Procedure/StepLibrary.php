<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * Writes a procedure out in full. A file may take steps from the library (`{"use": "electrofusion/wipe"}`) and repeat a
 * group of steps (`{"block": […], "each": ["1", "2"]}`); what is frozen, shown and handed out is the whole text.
 *
 * Keys beside `use` replace those of the library's step; `with` replaces single places: `{"fields.1.label": "…"}`.
 * In a block `{this}` and `{prev}` stand for the round at hand and the one before it (`before` for the first).
 */
final class StepLibrary
{
    /**
     * @param  array<string, mixed>  $raw
     * @return array<string, mixed>
     *
     * @throws Refused naming the place
     */
    public static function written(array $raw): array
    {
        if (! is_array($raw['steps'] ?? null) || ! array_is_list($raw['steps'])) {
            return $raw;
        }
        $steps = [];
        foreach ($raw['steps'] as $i => $step) {
            array_push($steps, ...self::whole("steps[{$i}]", $step));
        }
        $raw['steps'] = $steps;

        return $raw;
    }

    /** @return list<mixed> */
    private static function whole(string $path, mixed $step): array
    {
        if (! is_array($step)) {
            return [$step];
        }
        if (isset($step['use'])) {
            return [self::taken($path, $step)];
        }
        if (! isset($step['block'])) {
            return [$step];
        }
        if (! is_array($step['block']) || ! is_array($step['each'] ?? null) || $step['each'] === []) {
            throw Refused::field($path, "{$path}: a block needs its steps and each.");
        }
        $written = [];
        $before = (string) ($step['before'] ?? '');
        foreach ($step['each'] as $round) {
            foreach ($step['block'] as $i => $inner) {
                foreach (self::whole("{$path}.block[{$i}]", $inner) as $one) {
                    $written[] = is_array($one) ? ['each' => [(string) $round]] + self::named($one, (string) $round, $before) : $one;
                }
            }
            $before = (string) $round;
        }

        return $written;
    }

    /**
     * @param  array<string, mixed>  $step
     * @return array<string, mixed>
     */
    private static function taken(string $path, array $step): array
    {
        $name = $step['use'];
        if (! is_string($name) || preg_match('#^[a-z]+/[a-z0-9-]+$#', $name) !== 1 || ! in_array("steps/{$name}.json", Data::files('steps/'.strtok($name, '/')), true)) {
            throw Refused::field("{$path}.use", "{$path}.use: \"".(is_string($name) ? $name : '').'" is no step of the library.');
        }
        $with = $step['with'] ?? [];
        unset($step['use'], $step['with']);
        $kept = Data::json("steps/{$name}.json");
        // A step of the library may itself be another one with what is different.
        $whole = $step + (isset($kept['use']) ? self::taken("steps/{$name}", $kept) : $kept);
        foreach (is_array($with) ? $with : [] as $place => $value) {
            $at = &$whole;
            foreach (explode('.', (string) $place) as $key) {
                if (! is_array($at) || ! array_key_exists($key, $at)) {
                    throw Refused::field("{$path}.with", "{$path}.with: there is no {$place} in {$name}.");
                }
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
        }

        return $whole;
    }

    /**
     * @template T
     *
     * @param  T  $value
     * @return T
     */
    private static function named(mixed $value, string $round, string $before): mixed
    {
        return match (true) {
            is_array($value) => array_map(fn (mixed $v) => self::named($v, $round, $before), $value),
            is_string($value) => str_replace(['{this}', '{prev}'], [$round, $before], $value),
            default => $value,
        };
    }
}
