<?php

declare(strict_types=1);

namespace Diastoma\Core\Units;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Refused;

/**
 * What someone typed, turned into SI, or refused when it has two readings.
 *
 * Decides nothing; keeps a wrong number out of the record. `si` is m, Pa, N·m, °C, K, N, kg, m³, m³/s, rad.
 */
#[Calculates(
    'parse-quantity',
    'What does the typed text mean, in SI?',
    Family::Measuring,
    ['si', 'unit', 'reference', 'assumed', 'resolution_si'],
    'Exact conversion factors (international yard and pound 1959, SI); compared with GNU Units 2.22',
)]
final class ParseQuantity
{
    private const KINDS = [
        'length', 'pressure', 'torque', 'temperature', 'temperature_difference', 'force', 'mass', 'volume', 'flow', 'angle', 'chainage',
    ];

    private const REFERENCES = [
        'gauge' => '(?:g|\(g\)|gauge)', 'absolute' => '(?:a|\(a\)|abs|absolute)', 'difference' => '(?:d|\(d\))',
    ];

    /** @return array<string, mixed> */
    public function __invoke(
        #[Text('text')] string $text,
        #[Choice('kind', self::KINDS)] string $kind,
        #[Text('default_unit', about: 'unit printed beside the box')] ?string $defaultUnit = null,
        #[Choice('pressure_reference', ['gauge', 'absolute', 'difference'])] ?string $pressureReference = null,
        #[Choice('target_reference', ['gauge', 'absolute', 'difference'])] ?string $targetReference = null,
        #[Number('p_atm_pa', min: 50000, max: 110000)] ?float $atmosphere = null,
        #[Choice('number_style', ['point', 'comma'])] string $numberStyle = 'point',
        #[Choice('gallon', ['us', 'imperial'])] ?string $gallon = null,
        #[Choice('chainage_unit', ['m', 'ft'])] ?string $chainageUnit = null,
        #[Number('hard_lo_si')] ?float $hardLow = null,
        #[Number('hard_hi_si')] ?float $hardHigh = null,
    ): array {
        $style = $numberStyle === 'comma' ? 'comma' : 'point';
        try {
            $read = $this->read($text, $kind, $defaultUnit, $style, $gallon, $chainageUnit);
        } catch (Ambiguous $a) {
            throw Refused::field('text', "\"{$text}\": {$a->getMessage()}.");
        }
        $reference = null;
        if ($kind === 'pressure') {
            $reference = $read['reference'] ?? $pressureReference;
            if ($reference === null) {
                throw Refused::field('text', "\"{$text}\": pressure: say gauge or absolute, for example \"bar g\" or \"bar a\".");
            }
            if ($read['reference'] === null) {
                $read['assumed'][] = 'reference';
            }
            $target = $targetReference ?? $pressureReference ?? $reference;
            $read['si'] = $this->referTo($text, $read['si'], $reference, $target, $atmosphere);
            if ($target !== $reference) {
                $read['assumed'][] = 'air pressure';
            }
            $reference = $target;
        }
        if ($kind === 'temperature' && $read['si'] < -273.15 - 1e-9) {
            throw Refused::field('text', "\"{$text}\" is below absolute zero, -273.15 °C.");
        }
        if (($hardLow !== null && $read['si'] < $hardLow) || ($hardHigh !== null && $read['si'] > $hardHigh)) {
            throw Refused::field('text', "\"{$text}\" = {$read['si']} in SI; this field takes {$hardLow} to {$hardHigh}.");
        }

        return [
            'si' => $read['si'],
            'unit' => $read['unit'],
            'reference' => $reference,
            'assumed' => $read['assumed'],
            'resolution_si' => $read['resolution'],
        ];
    }

    /**
     * @param  'point'|'comma'  $style
     * @return array{si: float, unit: string, reference: ?string, assumed: list<string>, resolution: float}
     *
     * @throws Ambiguous
     */
    private function read(string $raw, string $kind, ?string $defaultUnit, string $style, ?string $gallon, ?string $chainageUnit): array
    {
        $text = TypedNumber::normalise($raw);
        if ($text === '') {
            throw new Ambiguous('nothing is typed; leave the field empty if the value is not known');
        }
        if ($kind === 'chainage' && preg_match('/^([+-]?\d+)\+(\d+)(\.\d+)?$/', $text, $m) === 1) {
            return $this->station($m, $chainageUnit);
        }
        if (($kind === 'length' || $kind === 'chainage') && ($feet = $this->feetAndInches($text, $style)) !== null) {
            return $feet;
        }
        $number = TypedNumber::read($text, $style);
        [$unitText, $reference] = $kind === 'pressure' ? $this->splitReference($number->rest) : [$number->rest, null];
        $assumed = [];
        if ($unitText === '') {
            $unitText = $defaultUnit ?? ($kind === 'chainage' ? $chainageUnit : null);
            if ($unitText === null) {
                throw new Ambiguous('say the unit, one of '.implode(', ', Spelling::labels($kind)));
            }
            $assumed[] = 'default unit';
        }
        $unit = Spelling::find($kind, $unitText, $gallon)
            ?? throw new Ambiguous("\"{$unitText}\" is no unit of {$kind}; known are ".implode(', ', Spelling::labels($kind)));
        if ($number->fraction && ! \in_array($unit['label'], ['in', 'ft'], true)) {
            throw new Ambiguous("fractions are for inches and feet; write the decimal for {$unit['label']}");
        }
        $si = match (true) {
            $unit['label'] === 'mm/m' => atan(0.001 * $number->value),
            $unit['label'] === 'in/ft' => atan($number->value / 12),
            default => $unit['offset'] + $unit['factor'] * $number->value,
        };
        $scale = is_nan($unit['factor']) ? ($unit['label'] === 'mm/m' ? 0.001 : 1 / 12) : $unit['factor'];

        return [
            'si' => $si, 'unit' => $unit['label'], 'reference' => $reference,
            'assumed' => [...$assumed, ...$unit['assumed']], 'resolution' => $number->step * $scale,
        ];
    }

    /**
     * 6'-3", 6' 3 1/2", 6 ft 3 in.
     *
     * @param  'point'|'comma'  $style
     * @return array{si: float, unit: string, reference: ?string, assumed: list<string>, resolution: float}|null
     *
     * @throws Ambiguous
     */
    private function feetAndInches(string $text, string $style): ?array
    {
        if (
            preg_match(
                '#^([+-]?)([0-9.,]+)\s*(?:\'|ft|feet|foot)\s*-?\s*([0-9.,/ -]*[0-9][0-9.,/ -]*?)\s*("|in|inch|inches)?$#iu',
                $text,
                $m,
            ) !== 1
        ) {
            return null;
        }
        if (preg_match('/^\d+$/', $m[2]) !== 1) {
            throw new Ambiguous('decimal feet together with inches: write one or the other');
        }
        $inches = TypedNumber::read($m[3], $style);
        if ($inches->value >= 12 || $inches->value < 0) {
            throw new Ambiguous("{$m[3]} inches: after feet there are 0 to less than 12");
        }
        $total = ((int) $m[2]) * 12 + $inches->value;

        return [
            'si' => ($m[1] === '-' ? -1 : 1) * $total * 0.0254, 'unit' => 'ft-in', 'reference' => null,
            'assumed' => ($m[4] ?? '') === '' ? ['inch mark'] : [], 'resolution' => $inches->step * 0.0254,
        ];
    }

    /**
     * @param  array<int, string>  $m
     * @return array{si: float, unit: string, reference: ?string, assumed: list<string>, resolution: float}
     *
     * @throws Ambiguous
     */
    private function station(array $m, ?string $chainageUnit): array
    {
        $unit = match (\strlen($m[2])) {
            2 => 'ft', 3 => 'm',
            default => throw new Ambiguous('a station has two digits after the + in feet (12+34.5), three in metres (1+234.5)'),
        };
        if ($chainageUnit !== null && $chainageUnit !== $unit) {
            throw new Ambiguous("a station with {$m[2]} after the + is in {$unit}, but this line counts in {$chainageUnit}");
        }
        $decimals = $m[3] ?? '';
        $value = (float) ($m[2].$decimals) * ($m[1][0] === '-' ? -1 : 1) + (int) $m[1] * ($unit === 'ft' ? 100 : 1000);
        $scale = $unit === 'ft' ? 0.3048 : 1.0;

        return [
            'si' => $value * $scale, 'unit' => $unit, 'reference' => null,
            'assumed' => $chainageUnit === null ? ["unit {$unit}"] : [], 'resolution' => 10 ** -max(0, \strlen($decimals) - 1) * $scale,
        ];
    }

    /** @return array{string, string|null} unit without its gauge or absolute letter, and what the letter says */
    private function splitReference(string $unit): array
    {
        foreach (self::REFERENCES as $reference => $letters) {
            if (preg_match("#^(bar|mbar|psi|kpa|mpa|pa|ksi|kgf?/cm2|atm|mh2o|ftH2O|mmhg|inhg)\\s*{$letters}\$#iu", $unit, $m) === 1) {
                return [$m[1], $reference];
            }
        }

        return [$unit, null];
    }

    private function referTo(string $text, float $si, string $from, string $to, ?float $atmosphere): float
    {
        if ($from !== $to) {
            if ($from === 'difference' || $to === 'difference') {
                throw Refused::field('text', "\"{$text}\": a pressure difference cannot be turned into a {$to} pressure.");
            }
            if ($atmosphere === null) {
                throw Refused::field(
                    'text',
                    "\"{$text}\" is {$from}; asked for is {$to}. ".
                        'Between them lies the air pressure at the site (p_atm_pa), which is not given.',
                );
            }
            $si += $to === 'absolute' ? $atmosphere : -$atmosphere;
        }
        $least = match ($to) {
            'absolute' => 0.0, 'gauge' => -($atmosphere ?? 110000.0), default => -INF,
        };
        if ($si < $least - 1e-6) {
            throw Refused::field('text', "\"{$text}\" is below vacuum.");
        }

        return $si;
    }
}
