<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * A way of working as data: parameters with their sources, and ordered steps with what they ask and how it is judged.
 *
 * Frozen by the SHA-256 of its canonical JSON: the record of a joint says exactly which text it was judged by.
 */
final readonly class Procedure
{
    /** @var array<string, Step> */
    private array $byKey;

    /**
     * @param  list<Step>  $steps  sided steps expanded
     * @param  array<string, array{value: mixed, label?: string, source?: string, certainty?: string}>  $parameters
     * @param  array<string, mixed>  $raw
     */
    private function __construct(
        public string $id,
        public string $version,
        public string $title,
        public string $jointType,
        public string $hash,
        public array $steps,
        public array $parameters,
        public array $raw,
    ) {
        $byKey = [];
        foreach ($steps as $step) {
            $byKey[$step->key()] = $step;
        }
        $this->byKey = $byKey;
    }

    /**
     * @param  array<string, mixed>  $raw
     *
     * @throws Refused every fault with the path to its place
     */
    public static function from(array $raw): self
    {
        $raw = StepLibrary::written($raw);
        ProcedureCheck::refuseFaults($raw);

        return self::frozen($raw, self::hash($raw));
    }

    /**
     * A text that was written out and checked when it was frozen.
     *
     * @param  array<string, mixed>  $raw
     * @param  string  $hash  of this text
     */
    public static function frozen(array $raw, string $hash): self
    {
        $steps = [];
        foreach ($raw['steps'] as $step) {
            foreach ($step['each'] ?? [null] as $side) {
                $steps[] = Step::from($step, $side);
            }
        }

        return new self($raw['id'], $raw['version'], $raw['title'], $raw['joint_type'], $hash, $steps, $raw['parameters'] ?? [], $raw);
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

    /** @param  array<string, mixed>  $raw */
    public static function hash(array $raw): string
    {
        return hash('sha256', self::canonical($raw));
    }

    /** The same text for the same content: keys sorted, no spaces. */
    public static function canonical(mixed $value): string
    {
        $sort = function (mixed $v) use (&$sort): mixed {
            if (! is_array($v)) {
                return is_float($v) && floor($v) === $v && abs($v) < 1e15 ? (int) $v : $v;
            }
            if (! array_is_list($v)) {
                ksort($v);
            }

            return array_map($sort, $v);
        };

        return json_encode($sort($value), JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    public function step(string $key): ?Step
    {
        return $this->byKey[$key] ?? null;
    }

    public function parameter(string $name): mixed
    {
        return $this->parameters[$name]['value'] ?? null;
    }
}
