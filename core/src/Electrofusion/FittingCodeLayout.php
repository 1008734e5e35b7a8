<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * Which digit of a 24-digit fitting code holds what. Layouts are data: an organisation enters its own
 * from its copy of ISO 13950; only an invented practice layout ships.
 *
 * A field is `{"from", "to"}` with digits counted from 1 to 23 (the 24th is the check digit), and one of `scale`
 * (the number times this), `values` (digits => number, a code list), for the unit of time `seconds` (digits => s) or, for
 * the kind of fitting, `kinds` (digits => {@see FittingKind::KINDS}).
 */
final readonly class FittingCodeLayout
{
    public const DIGITS = 24;

    /** Without these a code tells nothing that can be held against a label. */
    public const WANTED = ['dn_mm', 'voltage_v', 'resistance_mantissa', 'time'];

    /** field => what it is, in the order in which a person thinks of them */
    public const KNOWN = [
        'kind' => 'kind of fitting',
        'maker' => 'maker',
        'dn_mm' => 'size, mm',
        'voltage_v' => 'voltage, V',
        'resistance_mantissa' => 'resistance, digits',
        'resistance_exponent' => 'resistance, divided by ten to the power of',
        'resistance_tol_pct' => 'tolerance of the resistance, %',
        'time' => 'fusion time',
        'time_unit' => 'unit of the time',
        'correction_pct_per_k' => 'change of the time, % per K',
        'cooling_min' => 'cooling time, min',
    ];

    /**
     * @param  array<string, array{
     *     from: int, to: int, scale?: float, values?: array<string, float>, seconds?: array<string, int>, kinds?: array<string, string>
     * }>  $fields
     */
    private function __construct(public array $fields)
    {
    }

    /**
     * @param  mixed  $layout  name of a layout that ships, or the layout itself
     *
     * @throws Refused every fault, under `layout`
     */
    public static function from(mixed $layout): self
    {
        if (\is_string($layout)) {
            $layout = self::shipped()[$layout] ?? $layout;
        }
        if (! \is_array($layout)) {
            throw Refused::field('layout', 'layout is '.json_encode($layout).'; give the name of a known layout or the layout itself.');
        }
        $fields = $layout['fields'] ?? $layout;
        $faults = self::faults(\is_array($fields) ? $fields : []);
        if ($faults !== []) {
            throw Refused::together(array_map(fn (string $fault) => Refused::field('layout', "layout: {$fault}"), $faults));
        }

        /** @var array<string, array{from: int, to: int}> $fields */
        return new self(array_intersect_key($fields, self::KNOWN));
    }

    /** @return array<string, array<string, mixed>> layouts that ship, by id */
    public static function shipped(): array
    {
        static $shipped = null;
        if ($shipped === null) {
            $shipped = [];
            foreach (Data::files('codes') as $file) {
                /** @var array{id: string}&array<string, mixed> $layout */
                $layout = Data::json($file);
                $shipped[$layout['id']] = $layout;
            }
        }

        return $shipped;
    }

    public function has(string $field): bool
    {
        return isset($this->fields[$field]);
    }

    public function digits(string $code, string $field): string
    {
        $f = $this->fields[$field];

        return substr($code, $f['from'] - 1, $f['to'] - $f['from'] + 1);
    }

    /**
     * @return float|null null when the layout has no such field
     *
     * @throws Refused when the digits stand in no code list
     */
    public function number(string $code, string $field): ?float
    {
        if (! $this->has($field)) {
            return null;
        }
        $digits = $this->digits($code, $field);
        $values = $this->fields[$field]['values'] ?? null;
        if ($values !== null) {
            return isset($values[$digits])
                ? (float) $values[$digits]
                : throw Refused::field($field, "{$field}: \"{$digits}\" stands in no code list of the layout.");
        }

        return (int) $digits * (float) ($this->fields[$field]['scale'] ?? 1);
    }

    /** Seconds that one step of the time field counts; 1 without a unit field, null when the unit digit is unknown. */
    public function timeStep(string $code): ?int
    {
        return $this->has('time_unit') ? ($this->fields['time_unit']['seconds'][$this->digits($code, 'time_unit')] ?? null) : 1;
    }

    /** What kind of fitting it is; null where the layout does not tell, or does not know these digits. */
    public function kind(string $code): ?string
    {
        return $this->has('kind') ? ($this->fields['kind']['kinds'][$this->digits($code, 'kind')] ?? null) : null;
    }

    /**
     * The digits that say this number, or null when the field cannot say it exactly.
     *
     * @param  array<string, float>  $also  other readings of a digit that count as `values`
     */
    public function spell(string $field, float $number, array $also = []): ?string
    {
        $f = $this->fields[$field];
        $width = $f['to'] - $f['from'] + 1;
        $values = $f['values'] ?? ($also === [] ? null : $also);
        if ($values !== null) {
            foreach ($values as $digits => $value) {
                if (abs($value - $number) < 1e-9) {
                    return str_pad((string) $digits, $width, '0', STR_PAD_LEFT);
                }
            }

            return null;
        }
        $steps = $number / (float) ($f['scale'] ?? 1);

        return abs($steps - round($steps)) > 1e-6 || $steps < 0 || $steps >= 10 ** $width
            ? null
            : str_pad((string) (int) round($steps), $width, '0', STR_PAD_LEFT);
    }

    /**
     * @param  array<mixed>  $fields
     * @return list<string>
     */
    private static function faults(array $fields): array
    {
        $faults = [];
        $taken = [];
        foreach (self::WANTED as $name) {
            if (! isset($fields[$name])) {
                $faults[] = "{$name} is missing; wanted are ".implode(', ', self::WANTED).'.';
            }
        }
        foreach ($fields as $name => $f) {
            if (! isset(self::KNOWN[$name])) {
                $faults[] = "{$name} is no field of a fitting code; known are ".implode(', ', array_keys(self::KNOWN)).'.';

                continue;
            }
            if (
                ! \is_array($f) ||
                ! \is_int($f['from'] ?? null) ||
                ! \is_int($f['to'] ?? null) ||
                $f['from'] < 1 ||
                $f['to'] > self::DIGITS - 1 ||
                $f['to'] < $f['from']
            ) {
                $faults[] = "{$name} needs from and to, digits 1 to 23.";

                continue;
            }
            for ($digit = $f['from']; $digit <= $f['to']; $digit++) {
                if (isset($taken[$digit])) {
                    $faults[] = "digit {$digit} belongs to {$taken[$digit]} already, {$name} takes it too.";
                    break;
                }
                $taken[$digit] = $name;
            }
            if (isset($f['scale']) && (! \is_int($f['scale']) && ! \is_float($f['scale']) || $f['scale'] <= 0)) {
                $faults[] = "{$name}: scale must be a number above 0.";
            }
            if (isset($f['kinds']) && ! self::isKinds($f['kinds'])) {
                $faults[] = "{$name}: kinds must be an object of digits and one of ".implode(', ', FittingKind::KINDS).'.';
            }
            foreach (['values', 'seconds'] as $list) {
                if (isset($f[$list]) && ! self::isTable($f[$list])) {
                    $faults[] = "{$name}: {$list} must be an object of digits and numbers.";
                }
            }
        }
        if (isset($fields['time_unit']) && ! (\is_array($fields['time_unit']) && isset($fields['time_unit']['seconds']))) {
            $faults[] = 'time_unit needs seconds: which digit counts how many.';
        }

        return $faults;
    }

    private static function isKinds(mixed $list): bool
    {
        return \is_array($list) && $list !== [] && array_filter($list, fn (mixed $k) => ! \in_array($k, FittingKind::KINDS, true)) === [];
    }

    private static function isTable(mixed $list): bool
    {
        return \is_array($list) && $list !== [] && array_filter($list, fn (mixed $v) => ! \is_int($v) && ! \is_float($v)) === [];
    }
}
