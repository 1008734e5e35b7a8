<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;
use Diastoma\Core\Refused;
use Diastoma\Core\Verdict;

/**
 * `entries`: a list that grows one entry at a time: what came on a lorry, who was there, what happened. Each entry is a fact of
 * its own, from whichever hand; that it is all there is said by somebody, and is a fact too. An entry is put right by another
 * one in its place, or struck out by one that says so: nothing is lost.
 */
final readonly class Entries implements Kind
{
    /** Of a fact: that is all. */
    private const ALL = 'all';

    /** Of a fact: the one whose place it takes does not count. */
    private const STRUCK = 'struck';

    /**
     * @param  string|null  $none  what is said when there is nothing to enter; null: there is always something
     * @param  class-string<EntriesFile>|null  $file  out of which entries can be read; null: they are typed
     */
    public function __construct(private ?string $none, public ?string $file)
    {
    }

    public static function name(): string
    {
        return 'entries';
    }

    public static function read(array $step, Reader $reader): Kind
    {
        if (($step['fields'] ?? []) === []) {
            $reader->below('fields')->fault('is missing: what stands in one entry');
        }

        return new self($step['none'] ?? null, isset($step['reads']) ? self::file($step, $step['reads'], $reader->below('reads')) : null);
    }

    /**
     * @param  array<string, mixed>  $step
     * @return class-string<EntriesFile>|null
     */
    private static function file(array $step, string $name, Reader $at): ?string
    {
        $file = EntriesFiles::all()[$name] ?? null;
        if ($file === null) {
            $known = implode(', ', array_keys(EntriesFiles::all()));
            $at->fault("\"{$name}\" is no file that entries are read out of; known are {$known}.");

            return null;
        }
        $fields = \is_array($step['fields'] ?? null) ? array_column($step['fields'], 'key') : [];
        foreach (array_diff($file::keys(), $fields) as $missing) {
            $at->fault("gives \"{$missing}\", which no field of this step takes");
        }

        return $file;
    }

    public static function keys(): array
    {
        return ['entries', 'count', self::ALL, self::STRUCK, 'photos', 'remark'];
    }

    public function normalise(Step $step, array $value): array
    {
        foreach ([self::ALL, self::STRUCK] as $word) {
            if (! \array_key_exists($word, $value)) {
                continue;
            }
            if ($value[$word] !== true || \count($value) > 1) {
                throw Refused::field($word, "{$word} must be true and stand by itself, or be left out.");
            }

            return $value;
        }

        return Fields::normalise($step->fields, Fields::photos($value), ['photos', 'remark']);
    }

    public function words(Step $step, array $value, Words $words): array
    {
        return match (true) {
            ($value[self::ALL] ?? false) === true => ['That is all'],
            ($value[self::STRUCK] ?? false) === true => ['Struck out'],
            default => $words->fields($step->fields, $value),
        };
    }

    public function whole(array $facts): array
    {
        $last = $facts[\count($facts) - 1];
        $is = fn (Fact $f, string $word): bool => ($f->value[$word] ?? false) === true;
        $entries = array_values(array_filter($facts, fn (Fact $f) => ! $is($f, self::ALL) && ! $is($f, self::STRUCK)));
        $photos = array_merge(...array_map(fn (Fact $f) => \is_array($f->value['photos'] ?? null) ? $f->value['photos'] : [], $entries));
        $value = [
            'entries' => array_map(fn (Fact $f) => array_diff_key($f->value, ['photos' => true, 'remark' => true]), $entries),
            'count' => \count($entries),
            self::ALL => array_filter($facts, fn (Fact $f) => $is($f, self::ALL)) !== [],
        ] + ($photos === [] ? [] : ['photos' => $photos]);

        return [new Fact($last->id, $last->step, $value, $facts[0]->at, $last->by, $last->role, null, $last->received)];
    }

    /** A list goes on, from several hands. */
    public function refusesMore(array $standing, array $value): ?string
    {
        return null;
    }

    public function comesInParts(): bool
    {
        return true;
    }

    public function isFinished(Step $step, Fact $fact, Known $known): bool
    {
        return ($fact->value[self::ALL] ?? false) === true;
    }

    public function mayBeRepeated(Step $step, Known $known): bool
    {
        return false;
    }

    /** @return array{none: string|null, reads: string|null} what the button says that ends a list with nothing in it, and which file */
    public function entry(Known $known): array
    {
        return ['none' => $this->none, 'reads' => $this->file === null ? null : $this->file::called()];
    }

    /** @return list<Reason> of each entry what its answers say, under its first field */
    public function says(Step $step, Fact $fact, Known $known): array
    {
        /** @var list<array<string, mixed>> $entries */
        $entries = $fact->value['entries'] ?? [];
        if ($entries === [] && ($fact->value[self::ALL] ?? false) === true) {
            return $this->none === null
                ? [Reason::plain(Verdict::Open, 'Nothing was entered.', 'Enter what there is.')]
                : [Reason::plain(Verdict::Good, rtrim($this->none, '.').'.')];
        }
        $said = [];
        foreach ($entries as $entry) {
            foreach ($step->fields as $field) {
                $reason = $field->says($entry[$field->key] ?? null, $known);
                if ($reason !== null) {
                    $said[] = $reason->of($this->called($step->fields[0], $entry));
                }
            }
        }

        return $said;
    }

    /** @param  array<string, mixed>  $entry */
    private function called(FieldSpec $first, array $entry): string
    {
        $value = $entry[$first->key] ?? '';
        foreach ($first->options as $option) {
            if ($option->value === $value) {
                return $option->label;
            }
        }

        return \is_scalar($value) ? (string) $value : $first->label;
    }
}
