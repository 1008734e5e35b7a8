<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Data;

/**
 * What may stand where in a written procedure, read off the published schema. A key that is not known there is no
 * remark but a slip, and what it was meant to judge would be judged by nothing.
 */
final class ClosedText
{
    /** More slips than anybody mends at once: a file of another kind altogether. */
    public const MOST = 200;

    /** Longer words are no slips of known ones, and are quoted by their beginning. */
    private const LONGEST = 60;

    /** @var list<array{path: string, what: string}> */
    private array $faults = [];

    /** @param  array<string, mixed>  $schema */
    private function __construct(private readonly array $schema)
    {
    }

    /**
     * @param  array<string, mixed>  $raw  a procedure whose library steps and blocks are written out
     * @return list<array{path: string, what: string}> every key and word that is not known, in the order of the text
     */
    public static function faults(array $raw): array
    {
        $text = new self(Data::json('schema/procedure.json'));
        $text->walk($text->schema, $raw, '');

        return $text->faults;
    }

    /** @param  array<string, mixed>  $node  of the schema */
    private function walk(array $node, mixed $value, string $path): void
    {
        if (count($this->faults) >= self::MOST) {
            return;
        }
        $node = $this->resolved($node, $value);
        if (isset($node['enum']) && is_string($value) && ! in_array($value, $node['enum'], true)) {
            $this->faults[] = ['path' => $path, 'what' => 'must be one of '.implode(', ', $node['enum']).', not "'.mb_strimwidth($value, 0, self::LONGEST, '…').'"'];
        }
        if (! is_array($value)) {
            return;
        }
        if (isset($node['items']) && array_is_list($value)) {
            foreach ($value as $i => $entry) {
                $this->walk($node['items'], $entry, "{$path}[{$i}]");
            }
        }
        if (! isset($node['properties']) && ! is_array($node['additionalProperties'] ?? null)) {
            return;
        }
        $known = $node['properties'] ?? [];
        foreach ($value as $key => $entry) {
            $at = ltrim("{$path}.{$key}", '.');
            $below = $known[$key] ?? $node['additionalProperties'] ?? false;
            if (is_array($below)) {
                $this->walk($below, $entry, $at);
            } else {
                $this->unknown((string) $key, $path, array_keys($known));
            }
        }
    }

    /**
     * The part of the schema that speaks of this value.
     *
     * @param  array<string, mixed>  $node
     * @return array<string, mixed>
     */
    private function resolved(array $node, mixed $value): array
    {
        // Steps of the library and blocks are written out: what is left is a step.
        while (isset($node['else'])) {
            $node = $node['else'];
        }
        if (isset($node['anyOf'])) {
            $type = is_array($value) ? (array_is_list($value) ? 'array' : 'object') : get_debug_type($value);
            $fitting = array_filter(array_map(fn (array $n) => $this->resolved($n, $value), $node['anyOf']), fn (array $n) => ($n['type'] ?? '') === $type);

            return array_values($fitting)[0] ?? [];
        }
        if (isset($node['$ref'])) {
            $node = $this->resolved($this->schema['$defs'][substr((string) strrchr($node['$ref'], '/'), 1)], $value);
        }

        return $node;
    }

    /** @param  list<string>  $known */
    private function unknown(string $key, string $path, array $known): void
    {
        $quoted = mb_strimwidth($key, 0, self::LONGEST, '…');
        if (count($this->faults) < self::MOST) {
            $this->faults[] = ['path' => ltrim("{$path}.{$quoted}", '.'), 'what' => "\"{$quoted}\" is not known here; ".self::instead($key, $known)];
        }
    }

    /** @param  list<string>  $known */
    private static function instead(string $word, array $known): string
    {
        if (strlen($word) > self::LONGEST) {
            return 'known are '.implode(', ', $known);
        }
        // Two letters that changed places are two edits.
        $edits = strlen($word) < 4 ? 1 : max(2, intdiv(strlen($word), 3));
        $near = array_filter($known, fn (string $k) => levenshtein(strtolower($word), strtolower($k)) <= $edits);
        usort($near, fn (string $a, string $b) => levenshtein($word, $a) <=> levenshtein($word, $b) ?: similar_text($word, $b) <=> similar_text($word, $a));

        return $near === [] ? 'known are '.implode(', ', $known) : "did you mean \"{$near[0]}\"?";
    }
}
