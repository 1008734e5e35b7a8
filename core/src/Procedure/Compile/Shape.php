<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Data;

/**
 * Holds a written procedure against its published, closed schema: keys, types, words. What does not fit is named and left
 * out, so that whoever reads on finds everything in the form that the schema promises.
 *
 * List entries keep their numbers, so that a path still tells the place in the file.
 *
 * @phpstan-import-type ProcedureText from AsWritten
 *
 * A place of the schema; what stands below one is such a place again.
 *
 * @phpstan-type Node array{
 *     type?: string|list<string>, enum?: list<string>, const?: string, pattern?: string, 'x-allowed'?: string, minLength?: int,
 *     minItems?: int, required?: list<string>, properties?: array<string, array<mixed>>, items?: array<mixed>,
 *     additionalProperties?: bool|array<mixed>, '$ref'?: string, '$defs'?: array<string, array<mixed>>,
 *     anyOf?: list<array<mixed>>, else?: array<mixed>
 * }
 */
final class Shape
{
    private const IN_WORDS = [
        'string' => 'text',
        'number' => 'a number',
        'integer' => 'a whole number',
        'boolean' => 'true or false',
        'object' => 'an object',
        'array' => 'a list',
    ];

    /** @var Node */
    private readonly array $schema;

    private readonly \stdClass $nothing;

    private function __construct(private readonly Faults $faults)
    {
        /** @var Node $schema */
        $schema = Data::json('schema/procedure.json');
        $this->schema = $schema;
        $this->nothing = new \stdClass;
    }

    /**
     * @param  array<string, mixed>  $text  a procedure whose library steps and blocks are written out
     * @return ProcedureText the same without what does not fit
     */
    public static function of(array $text, Faults $faults): array
    {
        $shape = new self($faults);
        $clean = $shape->fitted($shape->schema, $text, '');

        /** @var ProcedureText */
        return \is_array($clean) ? $clean : [];
    }

    /** @param  array<mixed>  $node  of the schema */
    private function fitted(array $node, mixed $value, string $path): mixed
    {
        $node = $this->resolved($node, $value);
        $types = (array) ($node['type'] ?? []);
        if ($types !== [] && array_filter($types, fn (string $type) => self::is($type, $value)) === []) {
            return $this->refused($path, 'must be '.implode(' or ', array_map(fn (string $type) => self::IN_WORDS[$type], $types)));
        }
        $words = $node['enum'] ?? (isset($node['const']) ? [$node['const']] : null);
        if ($words !== null && ! \in_array($value, $words, true)) {
            return $this->refused(
                $path,
                'must be '.
                    (\count($words) > 1 ? 'one of ' : '').
                    implode(', ', $words).
                    (\is_string($value) ? ', not '.Nearest::quoted($value) : ''),
            );
        }
        if (\is_string($value)) {
            return $this->text($node, $value, $path);
        }

        return match (true) {
            ! \is_array($value) => $value,
            isset($node['properties']) || \is_array($node['additionalProperties'] ?? null) => $this->object($node, $value, $path),
            isset($node['items']) => $this->entries($node, $value, $path),
            default => $value,
        };
    }

    /** @param  Node  $node */
    private function text(array $node, string $value, string $path): mixed
    {
        if (isset($node['pattern']) && preg_match('#'.$node['pattern'].'#', $value) !== 1) {
            return $this->refused($path, Nearest::quoted($value).' must be '.($node['x-allowed'] ?? 'small letters, digits and hyphens'));
        }

        return isset($node['minLength']) && trim($value) === '' ? $this->refused($path, 'is empty') : $value;
    }

    /**
     * @param  Node  $node
     * @param  array<array-key, mixed>  $value
     */
    private function entries(array $node, array $value, string $path): mixed
    {
        if (\count($value) < ($node['minItems'] ?? 0)) {
            return $this->refused($path, 'is empty: leave it out, or say something');
        }
        $clean = [];
        foreach ($value as $i => $entry) {
            $fitted = $this->fitted($node['items'] ?? [], $entry, "{$path}[{$i}]");
            if ($fitted !== $this->nothing) {
                $clean[$i] = $fitted;
            }
        }

        return $clean;
    }

    /**
     * @param  Node  $node
     * @param  array<array-key, mixed>  $value
     */
    private function object(array $node, array $value, string $path): mixed
    {
        $properties = $node['properties'] ?? [];
        $clean = [];
        foreach ($value as $key => $entry) {
            if ($this->faults->areMany()) {
                break;
            }
            $below = $properties[$key] ?? ($node['additionalProperties'] ?? false);
            $fitted = \is_array($below)
                ? $this->fitted($below, $entry, ltrim("{$path}.{$key}", '.'))
                : $this->unknown((string) $key, $path, array_keys($properties));
            if ($fitted !== $this->nothing) {
                $clean[$key] = $fitted;
            }
        }
        $lacking = array_diff($node['required'] ?? [], array_keys($value));
        foreach ($lacking as $key) {
            $this->faults->at(ltrim("{$path}.{$key}", '.'), 'is missing');
        }

        return array_diff($node['required'] ?? [], array_keys($clean)) === [] || $path === '' ? $clean : $this->nothing;
    }

    /**
     * The part of the schema that speaks of this value.
     *
     * @param  array<mixed>  $node
     * @return Node
     */
    private function resolved(array $node, mixed $value): array
    {
        /** @var Node $node */
        // Steps of the library and blocks are written out: what is left is a step.
        if (isset($node['else'])) {
            return $this->resolved($node['else'], $value);
        }
        if (isset($node['$ref'])) {
            $node += $this->resolved($this->schema['$defs'][substr((string) strrchr($node['$ref'], '/'), 1)] ?? [], $value);
        }
        if (isset($node['anyOf'])) {
            $ways = array_map(fn (array $n) => $this->resolved($n, $value), $node['anyOf']);
            $fits = fn (array $n): bool => array_filter((array) ($n['type'] ?? []), fn (string $t) => self::is($t, $value)) !== [];
            $fitting = array_values(array_filter($ways, $fits));

            return $fitting[0] ?? [
                'type' => array_values(array_unique(array_merge(...array_map(fn (array $n) => (array) ($n['type'] ?? []), $ways)))),
            ];
        }

        return $node;
    }

    private static function is(string $type, mixed $value): bool
    {
        return match ($type) {
            'string' => \is_string($value),
            'number' => \is_int($value) || \is_float($value),
            'integer' => \is_int($value),
            'boolean' => \is_bool($value),
            'object' => \is_array($value) && ($value === [] || ! array_is_list($value)),
            'array' => \is_array($value) && array_is_list($value),
            default => false,
        };
    }

    private function refused(string $path, string $what): \stdClass
    {
        $this->faults->at($path, $what);

        return $this->nothing;
    }

    /** @param  list<string>  $known */
    private function unknown(string $key, string $path, array $known): \stdClass
    {
        $quoted = Nearest::quoted($key);

        return $this->refused(ltrim("{$path}.".trim($quoted, '"'), '.'), "{$quoted} is not known here; ".Nearest::to($key, $known));
    }
}
