<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Data;
use Diastoma\Core\Refused;

/**
 * Which digit of a 24-digit fitting code holds what. Layouts are data: an organisation enters its own
 * from its copy of ISO 13950; only an invented practice layout ships.
 */
final readonly class FittingCodeLayout
{
    private const WANTED = ['dn_mm', 'voltage_v', 'resistance_mantissa', 'resistance_exponent', 'resistance_tol_pct', 'time', 'time_unit', 'correction_pct_per_k'];

    /** @param  array<string, array{from: int, to: int, scale?: float, seconds?: array<string, int>}>  $fields  digits counted from 1 */
    private function __construct(public array $fields)
    {
    }

    /** @param  mixed  $layout  name of a layout that ships, or the layout itself */
    public static function from(mixed $layout): self
    {
        if (is_string($layout)) {
            foreach (Data::files('codes') as $file) {
                if (Data::json($file)['id'] === $layout) {
                    $layout = Data::json($file);
                    break;
                }
            }
        }
        if (! is_array($layout)) {
            throw Refused::field('layout', 'layout is '.json_encode($layout).'; give the name of a known layout or the layout itself.');
        }
        $fields = $layout['fields'] ?? $layout;
        foreach (self::WANTED as $name) {
            $f = $fields[$name] ?? null;
            if (! is_array($f) || ! is_int($f['from'] ?? null) || ! is_int($f['to'] ?? null) || $f['from'] < 1 || $f['to'] > 23 || $f['to'] < $f['from']) {
                throw Refused::field('layout', "layout: {$name} needs from and to, digits 1 to 23.");
            }
        }

        return new self($fields);
    }

    public function digits(string $code, string $field): string
    {
        $f = $this->fields[$field];

        return substr($code, $f['from'] - 1, $f['to'] - $f['from'] + 1);
    }

    public function number(string $code, string $field): float
    {
        return (int) $this->digits($code, $field) * (float) ($this->fields[$field]['scale'] ?? 1);
    }

    /** Seconds that one step of the time field counts; null when the unit digit is unknown. */
    public function timeStep(string $code): ?int
    {
        return $this->fields['time_unit']['seconds'][$this->digits($code, 'time_unit')] ?? null;
    }
}
