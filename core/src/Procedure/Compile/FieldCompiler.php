<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Data;
use Diastoma\Core\Procedure\FieldSpec;
use Diastoma\Core\Procedure\Option;
use Diastoma\Core\Procedure\Usual;
use Diastoma\Core\Procedure\YesNo;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Slip;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Verdict;

/**
 * Compiles what a step asks for.
 *
 * @phpstan-import-type FieldText from AsWritten
 * @phpstan-import-type UsualText from AsWritten
 */
final readonly class FieldCompiler
{
    /** Keys of a field that only some types can make use of. */
    private const OF_TYPE = [
        'quantity' => ['quantity'],
        'min' => ['quantity', 'number'],
        'max' => ['quantity', 'number'],
        'want' => ['yesno'],
        'should' => ['yesno'],
        'otherwise' => ['yesno'],
        'bad' => ['yesno'],
        'do' => ['yesno'],
        'options' => ['choice'],
        'of' => ['item'],
        'usual' => ['quantity', 'number'],
        'scanned' => ['quantity', 'number'],
        'delivered' => ['text'],
    ];

    public function __construct(private Reader $reader)
    {
    }

    /** @param  FieldText  $field  in the form of the schema */
    public function compile(array $field): FieldSpec
    {
        $type = $field['type'] ?? (isset($field['quantity']) ? 'quantity' : 'number');
        foreach (self::OF_TYPE as $key => $types) {
            if (isset($field[$key]) && ! \in_array($type, $types, true)) {
                $this->reader->below($key)->fault("is of no use in a field of type {$type}, only of type ".implode(' or ', $types));
            }
        }
        $quantity = $this->quantity($field);
        $this->sameUnit($field, $quantity);
        if (isset($field['min'], $field['max']) && $field['min'] > $field['max']) {
            $this->reader->below('min')->fault("{$field['min']} is more than max, {$field['max']}: nothing could be entered");
        }
        if ($type === 'item' && ! \in_array('stores/'.($field['of'] ?? '').'.json', Data::files('stores'), true)) {
            $kept = array_map(fn (string $file) => basename($file, '.json'), Data::files('stores'));
            $this->reader
                ->below('of')
                ->fault('"'.($field['of'] ?? '').'" is not kept in the stores; '.Nearest::to($field['of'] ?? '', $kept));
        }

        return new FieldSpec(
            key: $field['key'],
            label: $field['label'],
            type: $type === 'quantity' && $quantity === null ? 'number' : $type,
            quantity: $quantity,
            min: isset($field['min']) ? (float) $field['min'] : null,
            max: isset($field['max']) ? (float) $field['max'] : null,
            optional: $field['optional'] ?? false,
            options: $this->options($field),
            yesNo: $this->yesNo($field),
            of: $field['of'] ?? null,
            suggest: isset($field['suggest']) ? $this->reader->below('suggest')->forShow()->expression($field['suggest']) : null,
            scanned: isset($field['scanned']) ? $this->reader->below('scanned')->forShow()->expression($field['scanned']) : null,
            delivered: isset($field['delivered']),
            usual: isset($field['usual']) ? $this->usual($field['usual'], $field, $quantity) : null,
        );
    }

    /**
     * What stands there by itself is in the unit of the field, or a minute would pass for a second.
     *
     * @param  FieldText  $field
     */
    private function sameUnit(array $field, ?Quantity $quantity): void
    {
        if ($quantity === null) {
            return;
        }
        $suffix = (new Measure($field['key'], $quantity))->suffix;
        foreach (['suggest', 'scanned'] as $key) {
            $path = $field[$key] ?? null;
            if (\is_string($path) && str_starts_with($path, '$') && ! str_ends_with($path, "_{$suffix}")) {
                $this->reader->below($key)->fault("\"{$path}\" does not end in the unit of \"{$field['key']}\", _{$suffix}");
            }
        }
    }

    /**
     * @param  UsualText  $usual
     * @param  FieldText  $field
     */
    private function usual(array $usual, array $field, ?Quantity $quantity): Usual
    {
        $at = $this->reader->below('usual');
        if (isset($usual['near']) !== isset($usual['within_pct'])) {
            $at->fault('needs near and within_pct together: what is expected, and how far from it is still usual');
        }
        if (($usual['min'] ?? $usual['max'] ?? $usual['near'] ?? null) === null) {
            $at->fault('says nothing: give min, max, or near with within_pct');
        }
        if (isset($usual['min'], $usual['max']) && $usual['min'] > $usual['max']) {
            $at->below('min')->fault("{$usual['min']} is more than max, {$usual['max']}: every figure would be asked about");
        }
        foreach (['min', 'max'] as $end) {
            $allowed = $field[$end] ?? null;
            if ($allowed !== null && isset($usual[$end]) && ($end === 'min' ? $usual[$end] < $allowed : $usual[$end] > $allowed)) {
                $at->below($end)->fault("{$usual[$end]} lies outside what can be entered at all, {$allowed}");
            }
        }
        $own = $quantity === null ? null : Unit::of($quantity, (new Measure($field['key'], $quantity))->suffix);

        return new Usual(
            min: isset($usual['min']) ? (float) $usual['min'] : null,
            max: isset($usual['max']) ? (float) $usual['max'] : null,
            near: isset($usual['near']) ? $at->below('near')->forShow()->expression($usual['near']) : null,
            percent: (float) ($usual['within_pct'] ?? 0),
            whole: $usual['whole'] ?? false,
            slips: array_map(fn (Slip $slip) => $slip->toArray(), Slip::of($own)),
        );
    }

    /** @param  FieldText  $field */
    private function quantity(array $field): ?Quantity
    {
        if (! isset($field['quantity'])) {
            if (($field['type'] ?? '') === 'quantity') {
                $this->reader->below('quantity')->fault('is missing');
            }

            return null;
        }
        $quantity = Quantity::tryFrom($field['quantity']);
        if ($quantity === null) {
            $this->reader
                ->below('quantity')
                ->fault(
                    "\"{$field['quantity']}\" is no quantity; ".
                        Nearest::to($field['quantity'], array_map(fn (Quantity $q) => $q->value, Quantity::cases())),
                );
        } elseif (array_filter(array_keys($quantity->units()), fn (string $s) => str_ends_with($field['key'], '_'.$s)) === []) {
            $this->reader->below('key')->fault("\"{$field['key']}\" must end in a unit of {$quantity->value}");

            return null;
        }

        return $quantity;
    }

    /**
     * @param  FieldText  $field
     * @return list<Option>
     */
    private function options(array $field): array
    {
        if (($field['type'] ?? '') === 'choice' && ($field['options'] ?? []) === []) {
            $this->reader->below('options')->fault('is missing: a choice needs what can be chosen');
        }
        $options = [];
        foreach ($field['options'] ?? [] as $i => $option) {
            $at = $this->reader->below("options[{$i}]");
            $options[] = new Option(
                $option['value'],
                $option['label'],
                Verdict::from($option['verdict'] ?? 'good'),
                $at->below('bad')->sentence($option['bad'] ?? "{$field['label']}: {$option['label']}."),
                $at->below('do')->sentence($option['do'] ?? ''),
            );
        }

        return $options;
    }

    /** @param  FieldText  $field */
    private function yesNo(array $field): ?YesNo
    {
        $want = $field['want'] ?? null;
        if ($want !== null && isset($field['should'])) {
            $this->reader->below('should')->fault('says the same as "want", which is judged: give one of the two');
        }
        foreach (['otherwise', 'bad', 'do'] as $key) {
            if ($want === null && isset($field[$key]) && ($field['type'] ?? '') === 'yesno') {
                $this->reader->below($key)->fault('is never said: without "want" either answer is good');
            }
        }

        return $want === null
            ? null
            : new YesNo(
                $want,
                Verdict::from($field['otherwise'] ?? 'bad'),
                $this->reader->below('bad')->sentence($field['bad'] ?? "{$field['label']}: ".($want ? 'no' : 'yes').'.'),
                $this->reader->below('do')->sentence($field['do'] ?? ''),
            );
    }
}
