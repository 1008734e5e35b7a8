<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Data;
use Diastoma\Core\Procedure\Procedure;

/**
 * Writes a procedure out in full. A file may take steps from the library (`{"use": "electrofusion/wipe"}`) and repeat a
 * group of steps (`{"block": […], "each": ["1", "2"]}`); what is frozen, shown and handed out is the whole text.
 *
 * Keys beside `use` replace those of the library's step; `with` replaces or sets single places, `{"fields.1.label": "…"}`, or
 * adds one at the end of a list, `{"fields.+": {…}}` (several: `fields.+2`, `fields.+3`).
 * In a block `{this}` and `{prev}` stand for the round at hand and the one before it (`before` for the first), `{round}` for
 * its number. `words` beside `use` fills places that a step of the library leaves open: `{"words": {"start": "a"}}`, `{start}`.
 */
final class StepLibrary
{
    private const MOST_STEPS = 500;

    /** Begins what is added at the end of a list. */
    private const MORE = '+';

    /** @var array<string, string> */
    private array $faults = [];

    /**
     * @param  \Closure(string): (array<string, mixed>|null)  $kept  the step of a name, such as `electrofusion/wipe`
     * @param  (\Closure(string): (array<string, mixed>|null))|null  $rules  the rule of a name, such as `pressure/decline`
     */
    public function __construct(private readonly \Closure $kept, private readonly ?\Closure $rules = null)
    {
    }

    /** The library that ships, in `core/data/steps` and `core/data/rules`. */
    public static function standard(): self
    {
        return new self(self::shipped('steps'), self::shipped('rules'));
    }

    /** @return \Closure(string): (array<string, mixed>|null) */
    private static function shipped(string $folder): \Closure
    {
        return function (string $name) use ($folder): ?array {
            $ships =
                preg_match('#^[a-z]+/[a-z0-9-]+$#', $name) === 1 &&
                \in_array("{$folder}/{$name}.json", Data::files("{$folder}/".strtok($name, '/')), true);

            return $ships ? Data::json("{$folder}/{$name}.json") : null;
        };
    }

    /** @param  array<string, mixed>  $text */
    public function write(array $text): Written
    {
        $this->faults = [];
        $steps = $origins = [];
        foreach (\is_array($text['steps'] ?? null) && array_is_list($text['steps']) ? $text['steps'] : [] as $i => $step) {
            foreach ($this->whole("steps[{$i}]", $step) as [$origin, $whole]) {
                $steps[] = $this->withRules($origin, $whole);
                $origins[] = $origin;
            }
            if (\count($steps) > self::MOST_STEPS) {
                $this->faults["steps[{$i}]"] = 'makes more than '.self::MOST_STEPS.' steps';
                break;
            }
        }

        $this->mustSpeakOneLanguage($text);
        $text = $this->told($text);

        return new Written($origins === [] ? $text : ['steps' => $steps] + $text, $origins, $this->faults);
    }

    /**
     * What several steps judge alike is kept once, in `core/data/rules`: `{"use": "pressure/decline", "in": {…}}`. Its inputs are
     * those of the rule, with what stands beside them.
     */
    private function withRules(string $path, mixed $step): mixed
    {
        if (! \is_array($step) || ! \is_array($step['judge'] ?? null)) {
            return $step;
        }
        foreach ($step['judge'] as $i => $rule) {
            if (! \is_array($rule) || ! isset($rule['use'])) {
                continue;
            }
            $name = \is_string($rule['use']) ? $rule['use'] : '';
            $kept = $this->rules === null ? null : ($this->rules)($name);
            if ($kept === null) {
                $this->faults["{$path}.judge[{$i}].use"] = Nearest::quoted($name).' is no rule of the library';

                continue;
            }
            unset($rule['use']);
            $in = (\is_array($rule['in'] ?? null) ? $rule['in'] : []) + (array) ($kept['in'] ?? []);
            $step['judge'][$i] = ['in' => $in] + $rule + $kept;
        }

        return $step;
    }

    /**
     * Sentences of the library are English: a procedure in another language writes its own.
     *
     * @param  array<string, mixed>  $text
     */
    private function mustSpeakOneLanguage(array $text): void
    {
        $language = $text['language'] ?? Procedure::ENGLISH;
        if (! \is_string($language) || explode('-', $language)[0] === Procedure::ENGLISH) {
            return;
        }
        foreach (['steps', 'tells'] as $part) {
            if (preg_match('/"use":/', (string) json_encode($text[$part] ?? [])) === 1) {
                $this->faults[$part] = "takes sentences of the library, which are English, into a text in \"{$language}\": write them out";
            }
        }
    }

    /**
     * What several procedures tell alike is kept once, in `core/data/tells`: `"tells": {"use": "electrofusion-coupler"}`.
     *
     * @param  array<string, mixed>  $text
     * @return array<string, mixed>
     */
    private function told(array $text): array
    {
        $tells = $text['tells'] ?? null;
        if (! \is_array($tells) || ! isset($tells['use'])) {
            return $text;
        }
        $name = \is_string($tells['use']) ? $tells['use'] : '';
        $ship = array_map(fn (string $file) => basename($file, '.json'), Data::files('tells'));
        if (! \in_array($name, $ship, true)) {
            $this->faults['tells.use'] = Nearest::quoted($name).' does not ship; '.Nearest::to($name, $ship);
        }
        unset($tells['use']);

        return ['tells' => $tells + (\in_array($name, $ship, true) ? Data::json("tells/{$name}.json") : [])] + $text;
    }

    /** @return list<array{string, mixed}> where it stands, and the step */
    private function whole(string $path, mixed $step): array
    {
        if (! \is_array($step)) {
            return [[$path, $step]];
        }
        if (isset($step['use'])) {
            $taken = $this->taken($path, $step, []);

            return $taken === null ? [] : [[$path, $taken]];
        }

        return isset($step['block']) ? $this->rounds($path, $step) : [[$path, $step]];
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @return list<array{string, mixed}>
     */
    private function rounds(string $path, array $step): array
    {
        $each = \is_array($step['each'] ?? null) ? array_filter($step['each'], is_string(...)) : [];
        if (! \is_array($step['block']) || $each === [] || \count($each) !== \count($step['each'])) {
            $this->faults[$path] = 'a block needs its steps, and each: the names of its rounds';

            return [];
        }
        foreach (array_diff(array_keys($step), ['block', 'each', 'before']) as $unknown) {
            $this->faults["{$path}.{$unknown}"] =
                '"'.$unknown.'" is not known here; '.Nearest::to((string) $unknown, ['block', 'each', 'before']);
        }
        if (! $this->differ($path, $step['block'])) {
            $this->faults["{$path}.block"] = '{this} stands nowhere in it: each round would say the same';
        }
        $written = [];
        $before = \is_string($step['before'] ?? null) ? $step['before'] : '';
        $count = 0;
        foreach ($each as $round) {
            $words = ['{this}' => $round, '{prev}' => $before, '{round}' => (string) (++$count)];
            foreach ($step['block'] as $i => $inner) {
                foreach ($this->whole("{$path}.block[{$i}]", $inner) as [$origin, $one]) {
                    $written[] = [$origin, \is_array($one) ? ['each' => [$round]] + (array) self::named($one, $words) : $one];
                }
            }
            $before = $round;
        }

        return $written;
    }

    /**
     * Does something in a block tell its rounds apart?
     *
     * @param  array<array-key, mixed>  $block
     */
    private function differ(string $path, array $block): bool
    {
        $before = $this->faults;
        $whole = array_map(fn (mixed $step) => $this->whole($path, $step), $block);
        $unwritten = $this->faults !== $before;
        $this->faults = $before;

        return $unwritten || preg_match('/\{(this|prev|round|side)\}|\$side\b/', (string) json_encode($whole)) === 1;
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @param  list<string>  $through  steps of the library that led here
     * @return array<array-key, mixed>|null
     */
    private function taken(string $path, array $step, array $through): ?array
    {
        $name = \is_string($step['use']) ? $step['use'] : '';
        $kept = ($this->kept)($name);
        if ($kept === null || \in_array($name, $through, true)) {
            $this->faults["{$path}.use"] =
                $kept === null
                    ? Nearest::quoted($name).' is no step of the library'
                    : 'goes round in a circle: '.implode(', ', [...$through, $name]);

            return null;
        }
        $with = \is_array($step['with'] ?? null) ? $step['with'] : [];
        $words = $this->words($path, $step['words'] ?? []);
        unset($step['use'], $step['with'], $step['words']);
        // A step of the library may itself be another one with what is different.
        $whole = isset($kept['use']) ? $this->taken($path, $kept, [...$through, $name]) : $kept;

        return $whole === null ? null : (array) self::named($this->replaced($path, $step + $whole, $with, $name), $words);
    }

    /** @return array<string, string> place => what stands in it */
    private function words(string $path, mixed $words): array
    {
        $places = [];
        foreach (\is_array($words) ? $words : [] as $place => $word) {
            if (! \is_string($word) || preg_match('/^[a-z]+$/', (string) $place) !== 1) {
                $this->faults["{$path}.words"] = "{$place} must be a word of small letters, and what stands in its place a text";

                continue;
            }
            $places['{'.$place.'}'] = $word;
        }

        return $places;
    }

    /**
     * @param  array<array-key, mixed>  $whole
     * @param  array<array-key, mixed>  $with
     * @return array<array-key, mixed>
     */
    private function replaced(string $path, array $whole, array $with, string $name): array
    {
        foreach ($with as $place => $value) {
            $at = &$whole;
            $keys = explode('.', (string) $place);
            foreach ($keys as $i => $key) {
                if (str_starts_with($key, self::MORE) && \is_array($at) && array_is_list($at)) {
                    $key = \count($at);
                    $at[] = null;
                } elseif ($i === \count($keys) - 1 && \is_array($at) && ! array_is_list($at)) {
                    // A key that it had not: whether it may have it, the schema says.
                    $at += [$key => null];
                }
                if (! \is_array($at) || ! \array_key_exists($key, $at)) {
                    $this->faults["{$path}.with"] = "there is no {$place} in {$name}";
                    unset($at);

                    continue 2;
                }
                $at = &$at[$key];
            }
            $at = $value;
            unset($at);
        }

        /** @var array<array-key, mixed> */
        return $whole;
    }

    /**
     * The same, with these words in their places.
     *
     * @param  array<string, string>  $words  place => word
     */
    private static function named(mixed $value, array $words): mixed
    {
        return match (true) {
            \is_array($value) => array_combine(
                array_map(
                    fn (int|string $key) => \is_string($key) ? strtr($key, $words) : $key,
                    array_keys($value),
                ),
                array_map(fn (mixed $v) => self::named($v, $words), $value),
            ),
            \is_string($value) => strtr($value, $words),
            default => $value,
        };
    }
}
