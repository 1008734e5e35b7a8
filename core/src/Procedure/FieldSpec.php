<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Day;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Given;
use Diastoma\Core\Electrofusion\FittingCodeLayout;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Ambiguous;
use Diastoma\Core\Units\ParseQuantity;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\TypedNumber;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSlipHint;

/** One thing that a step asks for, and how what was typed becomes the stored value. */
final readonly class FieldSpec
{
    public const TYPES = ['quantity', 'number', 'text', 'yesno', 'choice', 'time', 'day', 'code', 'item', 'layout', 'signature'];

    /**
     * @param  float|null  $min  hard range, in the unit of the key
     * @param  list<Option>  $options  of a choice
     * @param  YesNo|null  $yesNo  which answer is good; null when both are
     * @param  string|null  $of  item: its kind in the stores
     * @param  Expression|null  $suggest  what is known already and filled in
     * @param  Expression|null  $scanned  what a scanned code says of it
     * @param  Usual|null  $usual  between what it usually lies
     * @param  bool  $delivered  what came with a delivery of the line is offered
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $type,
        public ?Quantity $quantity,
        public ?float $min,
        public ?float $max,
        public bool $optional,
        public array $options,
        public ?YesNo $yesNo,
        public ?string $of,
        public ?Expression $suggest = null,
        public ?Expression $scanned = null,
        public ?Usual $usual = null,
        public bool $delivered = false,
    ) {
    }

    /** What an answer says by itself. */
    public function says(mixed $value, Known $known): ?Reason
    {
        if ($this->yesNo !== null) {
            return \is_bool($value) ? $this->yesNo->says($value, $known) : null;
        }
        foreach ($this->options as $option) {
            if ($option->value === $value) {
                return $option->says($known);
            }
        }

        return null;
    }

    /** @return list<string> keys under which the value may come */
    public function keys(): array
    {
        return $this->quantity === null ? [$this->key] : array_keys($this->measure()->keys());
    }

    /**
     * The stored value from what came: a number in the key's own unit or under another unit's key, or typed text.
     *
     * @throws Refused naming the key
     */
    public function read(mixed $value, string $key): mixed
    {
        return match ($this->type) {
            'quantity' => $this->readQuantity($value, $key),
            'number' => $this->readNumber($value),
            'yesno' => \is_bool($value) ? $value : throw Refused::field($this->key, "{$this->label}: answer yes or no."),
            'choice' => $this->readChoice($value),
            'time' => Instant::parse($value, $this->label, $this->key)->format('Y-m-d\TH:i:sP'),
            'item' => $this->readItem($value),
            'layout' => $this->readLayout($value),
            'signature' => Signature::read($value, $this->key, $this->label),
            'day' => (new Day($this->key))->read($value, $this->label, $this->key, Family::Measuring)->format('Y-m-d'),
            default => $this->readText($value),
        };
    }

    private function readQuantity(mixed $value, string $key): float
    {
        $quantity = $this->quantity ?? throw new \LogicException("{$this->key} has no quantity");
        $measure = $this->measure();
        $unit = Unit::of($quantity, $measure->suffix);
        if (\is_string($value)) {
            $parsed = (new ParseQuantity)(
                text: mb_substr($value, 0, 200),
                kind: $quantity->value,
                defaultUnit: ($measure->keys()[$key] ?? $unit)->symbol,
                pressureReference: $quantity === Quantity::Pressure ? 'gauge' : null,
            );
            $number = $unit->fromSi(Given::number($parsed, 'si'));
        } elseif (\is_int($value) || \is_float($value)) {
            $given = $measure->keys()[$key] ?? $unit;
            $number = $unit->fromSi($given->toSi((float) $value));
        } else {
            throw Refused::field($this->key, "{$this->label} must be a number.");
        }
        if (
            ! is_finite($number) ||
            ($this->min !== null && $number < $this->min - 1e-9) ||
            ($this->max !== null && $number > $this->max + 1e-9)
        ) {
            throw Refused::field(
                $this->key,
                "{$this->label}: ".
                    (\is_string($value) ? "\"{$value}\"" : round($number, 4).' '.$unit->symbol).
                    ' is outside '.
                    $this->allowed($unit->symbol).
                    '.'.
                    $this->hint($value, $unit),
            );
        }

        return round($number, 9);
    }

    private function hint(mixed $value, Unit $unit): string
    {
        if (! \is_int($value) && ! \is_float($value) || $this->min === null || $this->max === null || $this->quantity === null) {
            return '';
        }
        try {
            $hints = (new UnitSlipHint)(
                text: $value.' '.$unit->symbol,
                kind: $this->quantity->value,
                low: $unit->toSi($this->min),
                high: $unit->toSi($this->max),
            )['hints'];
        } catch (\Throwable) {
            return '';
        }
        $common = array_filter(
            $hints,
            fn ($h) => \in_array($h['unit'], ['in', 'ft', 'mm', 'm', 'cm', 'psi', 'bar', 'kPa', '°F', '°C'], true),
        );
        $first = array_shift($common);

        return $first === null ? '' : " Did you mean {$value} {$first['unit']}?";
    }

    private function readNumber(mixed $value): float
    {
        if (\is_string($value)) {
            $value = $this->typed($value);
        }
        if (! \is_int($value) && ! \is_float($value)) {
            throw Refused::field($this->key, "{$this->label} must be a number.");
        }
        if (! is_finite((float) $value) || ($this->min !== null && $value < $this->min) || ($this->max !== null && $value > $this->max)) {
            throw Refused::field($this->key, "{$this->label}: {$value} is outside ".$this->allowed('').'.');
        }

        return (float) $value;
    }

    /** A plain number by the grammar of all typed figures. */
    private function typed(string $text): float
    {
        try {
            $number = TypedNumber::read(TypedNumber::normalise(mb_substr($text, 0, 200)), 'point');
            if ($number->rest !== '' || $number->fraction) {
                throw new Ambiguous('a plain number is wanted');
            }
        } catch (Ambiguous $a) {
            throw Refused::field($this->key, "{$this->label}: \"{$text}\": {$a->getMessage()}.");
        }

        return $number->value;
    }

    private function readChoice(mixed $value): string
    {
        if (! \in_array($value, array_map(fn (Option $o) => $o->value, $this->options), true)) {
            throw Refused::field(
                $this->key,
                "{$this->label}: choose one of ".implode(', ', array_map(fn (Option $o) => $o->label, $this->options)).'.',
            );
        }

        return $value;
    }

    /**
     * Something out of the stores, as it was when it was used: its id, its name and what is known of it.
     *
     * @return array<string, mixed>
     */
    private function readItem(mixed $value): array
    {
        if (
            ! \is_array($value) ||
            ! \is_string($value['id'] ?? null) ||
            ! \is_string($value['name'] ?? null) ||
            \strlen((string) json_encode($value)) > 8000
        ) {
            throw Refused::field($this->key, "{$this->label}: choose one out of the stores.");
        }

        return $value;
    }

    /** @return array<string, mixed> */
    private function readLayout(mixed $value): array
    {
        try {
            FittingCodeLayout::from($value);
        } catch (Refused $refused) {
            throw Refused::together(
                array_map(
                    fn (array $f) => Refused::field($this->key, str_replace('layout: ', "{$this->label}: ", $f['message'])),
                    $refused->faults,
                ),
            );
        }

        /** @var array<string, mixed> */
        return (array) $value;
    }

    private function readText(mixed $value): string
    {
        if (! \is_string($value) || trim($value) === '' || mb_strlen($value) > 500) {
            throw Refused::field($this->key, "{$this->label}: write 1 to 500 characters.");
        }

        return trim($value);
    }

    public function allowed(string $unit): string
    {
        return trim(($this->min === null ? 'up to ' : "{$this->min} to ").($this->max ?? 'any value')." {$unit}");
    }

    private function measure(): Measure
    {
        return new Measure($this->key, $this->quantity ?? throw new \LogicException("{$this->key} has no quantity"));
    }
}
