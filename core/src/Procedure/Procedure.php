<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Data;
use Diastoma\Core\PressureTest\Medium;
use Diastoma\Core\Procedure\Compile\Compiler;
use Diastoma\Core\Procedure\Tells\Tells;
use Diastoma\Core\Refused;

/**
 * A way of working, compiled: parameters with their sources, and ordered steps with what they ask and how it is judged.
 *
 * Frozen by the SHA-256 of its canonical JSON: the record of a joint says exactly which text it was judged by.
 */
final readonly class Procedure
{
    /** In which a text is written that does not say it, and the library of steps. */
    public const ENGLISH = 'en';

    /** @var array<string, Step> */
    private array $byKey;

    /**
     * @param  string  $hash  of the text
     * @param  'joint'|'test'|'stretch'  $family
     * @param  'in-line'|'on-pipe'|'restraint'|'line'  $place  where such a joint sits; `line`: a record of the line as a whole
     * @param  string  $language  in which its sentences are written: en, pt-BR
     * @param  list<Step>  $steps  sided steps expanded
     * @param  array<string, Parameter>  $parameters  by name
     * @param  Tells  $tells  what the rest of the product is told of such a joint
     * @param  list<Suit>  $suits  what a pipe must be for it; none: its text does not say it
     * @param  list<string>  $speakOnly  ids of steps whose guides are for the eye: nothing is judged by what they compute
     * @param  list<string>  $asked  what it asks of the line, by name
     * @param  bool  $daily  of a record of the line: there is one for each day
     * @param  Medium  $medium  what a test fills the section with
     * @param  array<string, mixed>  $text  as it was written, to be handed out; nothing is judged from it
     */
    public function __construct(
        public string $id,
        public string $version,
        public string $title,
        public string $jointType,
        public string $hash,
        public string $family,
        public string $place,
        public string $school,
        public string $language,
        public array $steps,
        public array $parameters,
        public Tells $tells,
        public array $text,
        public array $suits = [],
        private array $speakOnly = [],
        private array $asked = [],
        public Medium $medium = Medium::Water,
        public bool $daily = false,
    ) {
        $this->byKey = array_combine(array_map(fn (Step $step) => $step->key, $steps), $steps);
    }

    /** Is what the guides of this step compute for the eye alone? */
    public function speaksOnly(string $id): bool
    {
        return \in_array($id, $this->speakOnly, true);
    }

    /** Does it ask this of the line? A test that does not ask for the pressure at the gauge has one of its own. */
    public function asks(string $lineName): bool
    {
        return \in_array($lineName, $this->asked, true);
    }

    /**
     * @param  array<string, mixed>  $text
     *
     * @throws Refused every fault with the path to its place
     */
    public static function from(array $text): self
    {
        return Compiler::compile($text);
    }

    /**
     * A text that was taken when it was frozen, by the rules of that day. What it holds that cannot be resolved today is
     * open where it judges, and never good.
     *
     * @param  array<string, mixed>  $text
     * @param  string  $hash  of this text
     */
    public static function frozen(array $text, string $hash): self
    {
        return Compiler::frozen($text, $hash);
    }

    /**
     * @param  array<string, mixed>  $pipe  material, service, dn_mm, sdr, as far as they are known
     * @return list<string> why it is not meant for this pipe
     */
    public function unsuited(array $pipe): array
    {
        return Suit::allAgainst($this->suits, $pipe);
    }

    /** @return array<string, self> procedures and test methods that ship, by id */
    public static function shipped(): array
    {
        static $shipped = null;
        if ($shipped === null) {
            $shipped = [];
            foreach ([...Data::files('procedures'), ...Data::files('methods')] as $file) {
                $procedure = self::from(Data::json($file));
                $shipped[$procedure->id] = $procedure;
            }
        }

        return $shipped;
    }

    /** @param  array<string, mixed>  $text */
    public static function hash(array $text): string
    {
        return hash('sha256', self::canonical($text));
    }

    /** The same text for the same content: keys sorted, no spaces. */
    public static function canonical(mixed $value): string
    {
        return json_encode(self::sorted([$value])[0], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /**
     * Keys in their order, whole numbers without a point; a log of many thousand readings goes through here at each look at a seal.
     *
     * @param  array<mixed>  $values
     * @return array<mixed>
     */
    private static function sorted(array $values): array
    {
        if (! array_is_list($values)) {
            ksort($values);
        }
        foreach ($values as $key => $value) {
            if (\is_array($value)) {
                $values[$key] = self::sorted($value);
            } elseif (\is_float($value) && floor($value) === $value && abs($value) < 1e15) {
                $values[$key] = (int) $value;
            }
        }

        return $values;
    }

    /** @return array<string, array{value: mixed, label: string, source: string, certainty: string}> */
    public function parametersToArray(): array
    {
        return array_map(fn (Parameter $p) => $p->toArray(), $this->parameters);
    }

    /** What plays the device of the first step that names one; null: no step does. */
    public function standIn(): ?StandIn
    {
        foreach ($this->steps as $step) {
            if ($step->standIn !== null) {
                return $step->standIn;
            }
        }

        return null;
    }

    public function step(string $key): ?Step
    {
        return $this->byKey[$key] ?? null;
    }
}
