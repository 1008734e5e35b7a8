<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

use Diastoma\Core\Refused;

/** Every calculation by name, runnable from JSON. Shared by the command line, the API, the Bench and the engine. */
final class Registry
{
    /** @var array<class-string, Calculates> what is read of a class, once it is asked for */
    private array $facts = [];

    private Memory $memory;

    /** @param  array<string, class-string>  $classes  name or other name => class */
    public function __construct(private readonly array $classes)
    {
        $this->memory = new Memory;
    }

    public static function standard(): self
    {
        static $standard = null;

        return $standard ??= new self(require __DIR__.'/catalogue.php');
    }

    /** The same, remembering nothing yet. */
    public function forgetful(): self
    {
        $fresh = clone $this;
        $fresh->memory = new Memory;

        return $fresh;
    }

    /** @return list<string> names, other names included, sorted */
    public function names(): array
    {
        $names = array_keys($this->classes);
        sort($names);

        return $names;
    }

    public function has(string $name): bool
    {
        return isset($this->classes[$name]);
    }

    public function about(string $name): Calculates
    {
        return $this->aboutClass($this->classOf($name));
    }

    /** @return array<string, mixed> */
    public function schema(string $name): array
    {
        $about = $this->about($name);

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => $name,
            'description' => $about->title,
            ...Signature::of($this->classOf($name))->schema(),
            'x-family' => $about->family->value,
            'x-method' => self::methodOf($this->classOf($name)),
            'x-source' => $about->source,
            'x-gives' => $about->gives,
            'x-soil' => $about->soil,
            'x-verdicts' => \in_array('verdict', $about->gives, true) ? $about->verdicts : [],
            'x-codes' => $about->codes === [] ? new \stdClass : $about->codes,
        ];
    }

    /**
     * How it is worked out, as its class says it.
     *
     * @param  class-string  $class
     */
    private static function methodOf(string $class): string
    {
        $prose = preg_split('/^\s*\*\s*@/m', (string) (new \ReflectionClass($class))->getDocComment())[0] ?? '';
        $lines = preg_split('/\R/', $prose) ?: [];
        $words = array_map(fn (string $line) => trim($line, " \t*/"), $lines);

        return (string) preg_replace('/\{@see ([^}]+)\}/', '$1', trim(implode(' ', array_filter($words, fn (string $w) => $w !== ''))));
    }

    /**
     * @param  array<string, mixed>  $input  as decoded from JSON
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    public function run(string $name, array $input): array
    {
        return $this->memory->recall($name, $input, fn () => $this->compute($name, $input));
    }

    /**
     * @param  array<string, mixed>  $input
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    private function compute(string $name, array $input): array
    {
        $class = $this->classOf($name);
        $arguments = Signature::of($class)->arguments($input, $this->aboutClass($class)->family);
        try {
            $calculation = new $class;
            /** @var array<string, mixed> $out */
            $out = \is_callable($calculation) ? $calculation(...$arguments) : throw new \LogicException("{$name} cannot be run");
        } catch (\ArithmeticError) {
            throw Refused::field($name, "{$name} divides by nothing with these inputs: one of them is 0 or far too small.");
        }
        self::mustBeFinite($out, $name, '');

        return $out;
    }

    /**
     * The one place that keeps numbers out which are none: an input too large or too small by far leads to them.
     *
     * @param  array<array-key, mixed>  $out
     *
     * @throws Refused
     */
    private static function mustBeFinite(array $out, string $name, string $at): void
    {
        foreach ($out as $key => $value) {
            if (\is_array($value)) {
                self::mustBeFinite($value, $name, "{$at}{$key}.");
            } elseif (\is_float($value) && ! is_finite($value)) {
                $place = $at.$key;
                throw Refused::field($name, "{$name} has no finite {$place} with these inputs: one of them is far too large or too small.");
            }
        }
    }

    /** @param  class-string  $class */
    private function aboutClass(string $class): Calculates
    {
        return $this->facts[$class] ??= (new \ReflectionClass($class))->getAttributes(Calculates::class)[0]->newInstance();
    }

    /** @return class-string */
    public function classOf(string $name): string
    {
        return $this->classes[$name] ?? throw Refused::field('calc', "There is no calculation \"{$name}\"; --list shows their names.");
    }
}
