<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Calendar;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/** What was recorded, in words as a person reads them: each thing that was asked, with its figure and unit. */
final readonly class Words
{
    public function __construct(private UnitSystem $units, private \DateTimeZone $zone)
    {
    }

    /**
     * @param  array<string, mixed>  $value  as it is stored
     * @return list<string> "Air: 14.0 °C", one for each thing that was said
     */
    public function of(Step $step, array $value): array
    {
        $remark = $value['remark'] ?? null;

        return [
            ...$step->kind->words($step, $value, $this),
            ...(\is_string($remark) && trim($remark) !== '' ? [trim($remark)] : []),
        ];
    }

    /**
     * @param  list<FieldSpec>  $fields
     * @param  array<string, mixed>  $value
     * @return list<string> of what was answered
     */
    public function fields(array $fields, array $value): array
    {
        $said = [];
        foreach ($fields as $field) {
            if (($value[$field->key] ?? null) !== null) {
                $said[] = self::label($field).': '.$this->shown($field, $value[$field->key]);
            }
        }

        return $said;
    }

    public function shown(FieldSpec $field, mixed $value): string
    {
        return match (true) {
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_int($value) || \is_float($value) => $this->figure($field->key, (float) $value),
            \is_array($value) => \is_string($value['name'] ?? null) ? $value['name'] : \count($value).' entries',
            ! \is_string($value) => '',
            $field->type === 'signature' => 'written by hand',
            $field->type === 'choice' => self::optionLabel($field, $value),
            $field->type === 'time' => $this->moment($value),
            $field->type === 'day' => self::day($value),
            default => $value,
        };
    }

    /** @param  string  $key  its end tells the unit */
    public function figure(string $key, float $value): string
    {
        return Display::value($key, $value, null, $this->units);
    }

    /** "4 May 2026, 14:52" in the time of the place. */
    public function moment(string $iso): string
    {
        try {
            return Calendar::read($iso)->setTimezone($this->zone)->format('j M Y, H:i');
        } catch (\Exception) {
            return $iso;
        }
    }

    /** "31 Dec 2026"; a day has no time zone. */
    private static function day(string $iso): string
    {
        $day = \DateTimeImmutable::createFromFormat('!Y-m-d', $iso);

        return $day === false ? $iso : $day->format('j M Y');
    }

    /** "Raise began" of "Raise began, minute": the figure brings its unit. */
    private static function label(FieldSpec $field): string
    {
        return $field->type === 'quantity' || $field->type === 'number'
            ? (string) preg_replace('/, [^ ]+$/', '', $field->label)
            : $field->label;
    }

    private static function optionLabel(FieldSpec $field, string $value): string
    {
        foreach ($field->options as $option) {
            if ($option->value === $value) {
                return $option->label;
            }
        }

        return $value;
    }
}
