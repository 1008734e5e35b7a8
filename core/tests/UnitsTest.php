<?php

declare(strict_types=1);

use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calculation\Signature;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;

require_once __DIR__.'/helpers.php';
require_once __DIR__.'/difference.php';

// Figures are not exactly equal after a change of unit: a factor was multiplied and divided.
it('gives the same answer whatever unit an input comes in', function () {
    $turned = 0;
    foreach (acceptedExamples() as $name => $in) {
        $answer = Registry::standard()->run($name, $in);
        foreach (Signature::of(classOf($name))->inputs as $input) {
            $field = $input->field;
            $given = array_key_first(array_intersect_key($in, $input->keys));
            if (! $field instanceof Measure || $given === null || ! is_numeric($in[$given])) {
                continue;
            }
            $si = $input->keys[$given]->toSi((float) $in[$given]);
            foreach ($input->keys as $key => $unit) {
                if ($key === $given) {
                    continue;
                }
                $other = array_diff_key($in, [$given => 1]) + [$key => $unit->fromSi($si)];
                expect(difference(Registry::standard()->run($name, $other), $answer, "{$name} with {$key}", 1e-7, 1.0))->toBeNull();
                $turned++;
            }
        }
    }
    expect($turned)->toBeGreaterThan(500);
});

it('names each missing input of each calculation', function () {
    $missing = 0;
    foreach (acceptedExamples() as $name => $in) {
        foreach (Signature::of(classOf($name))->inputs as $input) {
            $given = array_key_first(array_intersect_key($in, $input->keys));
            if (! $input->required || $given === null) {
                continue;
            }
            try {
                Registry::standard()->run($name, array_diff_key($in, [$given => 1]));
                $this->fail("{$name} answered without {$given}");
            } catch (Refused $refused) {
                expect($refused->getMessage())->toContain($input->field->bare(), 'missing');
                $missing++;
            }
        }
    }
    expect($missing)->toBeGreaterThan(100);
});

it('takes no input twice, and no text, truth or endless number for a figure', function () {
    foreach (acceptedExamples() as $name => $in) {
        foreach (Signature::of(classOf($name))->inputs as $input) {
            $given = array_key_first(array_intersect_key($in, $input->keys));
            if (! $input->field instanceof Measure || $given === null) {
                continue;
            }
            $second = array_key_last($input->keys);
            if ($second !== $given) {
                expect(fn () => Registry::standard()->run($name, $in + [$second => 1]))->toThrow(Refused::class, 'several units');
            }
            foreach (['12', true, INF, NAN, [1]] as $wrong) {
                expect(fn () => Registry::standard()->run($name, [$given => $wrong] + $in))->toThrow(Refused::class, 'must be a number');
            }
        }
    }
});

it('goes to SI and back without loss in every unit', function () {
    foreach (Unit::all() as $units) {
        foreach ($units as $suffix => $unit) {
            foreach ([-40.0, 0.0, 0.37, 1.0, 212.0, 1e6] as $number) {
                expect($unit->fromSi($unit->toSi($number)))->toEqualWithDelta($number, 1e-9 * max(1.0, abs($number)), $suffix);
            }
        }
    }
    // Two fixed points that everybody knows.
    expect(Unit::of(Quantity::Temperature, 'f')->toSi(212.0))
        ->toEqualWithDelta(100.0, 1e-9)
        ->and(Unit::of(Quantity::Temperature, 'f')->toSi(-40.0))
        ->toEqualWithDelta(-40.0, 1e-9);
});

it('reads a number with its unit for either reader', function (string $key, float $value, ?int $decimals, string $metric, string $us) {
    expect(Display::value($key, $value, $decimals, UnitSystem::Metric))
        ->toBe($metric)
        ->and(Display::value($key, $value, $decimals, UnitSystem::Us))
        ->toBe($us);
})->with([
    ['gap_mm', 1.5, 1, '1.5 mm', '0.059 in'],
    ['p_kpa', 1100.0, null, '1100 kPa', '159.5 psi'],
    ['air_c', -3.25, null, '-3.3 °C', '26.2 °F'],
    ['margin_k', 3.0, null, '3.0 K', '5.4 °F'],
    ['ovality_pct', 1.5, 1, '1.5 %', '1.5 %'],
    ['time_s', 240.0, null, '240 s', '240 s'],
    ['water_l', 40.3, null, '40.3 L', '10.65 US gal'],
    ['nothing', 7.0, null, '7', '7'],
    ['angle_deg', 0.4, 2, '0.40°', '0.40°'],
    ['zero_mm', -0.00001, 1, '0.0 mm', '0.000 in'],
]);

// GNU Units 2.22: 1100 kPa = 11 bar = 159.54151 psi; 25 kPa/h = 0.25 bar/h; 12.5 L/bar = 0.125 L/kPa = 0.22767373 US gal/psi.
it('reads pressure in the unit that was chosen, with as many figures', function (string $key, float $of, ?int $decimals, array $wanted) {
    expect(array_map(fn (UnitSystem $system) => Display::value($key, $of, $decimals, $system), UnitSystem::cases()))->toBe($wanted);
})->with([
    ['p_kpa', 1100.0, null, ['1100 kPa', '11.00 bar', '159.5 psi']],
    ['p_bar', 11.0, null, ['1100 kPa', '11.00 bar', '159.5 psi']],
    ['band_kpa', 35.0, 0, ['35 kPa', '0.35 bar', '5.1 psi']],
    ['step_kpa', 0.5, null, ['0.50 kPa', '0.01 bar', '0.1 psi']],
    ['rise_kpa', 2.5, null, ['2.5 kPa', '0.03 bar', '0.4 psi']],
    ['step_kpa', 0.5, 1, ['0.5 kPa', '0.005 bar', '0.1 psi']],
    ['p_bar', 10.25, 1, ['1025 kPa', '10.3 bar', '148.7 psi']],
    ['fall_kpa_h', 25.0, null, ['25.0 kPa/h', '0.250 bar/h', '3.63 psi/h']],
    ['x_l_per_bar', 12.5, null, ['0.1250 L/kPa', '12.50 L/bar', '0.228 US gal/psi']],
    ['gap_mm', 1.5, 1, ['1.5 mm', '1.5 mm', '0.059 in']],
]);

it('fills a sentence from paths, in the reader\'s units, clocks and zone', function () {
    $values = [
        'fact' => ['gap_mm' => 1.5, 'off' => '2026-10-25T00:30:00Z', 'ok' => true, 'list' => ['one-two', 'three']],
        'result' => ['depth_m' => 0.125, 'axis' => '12:59 and 6:52'],
    ];
    $say = fn (string $text, UnitSystem $units = UnitSystem::Metric) => said($text, $values)->in($units, new DateTimeZone('Europe/Vienna'));
    expect($say('no place at all'))->toBe('no place at all')
        ->and($say('{fact.gap_mm|1} at {fact.off|time}'))->toBe('1.5 mm at 02:30')
        ->and($say('{fact.ok}, {fact.list}, {fact.list|count}, {fact.gone}'))->toBe('yes, one two, three, 2, –')
        ->and($say('{result.depth_m} or {result.depth_m|mm.0}'))->toBe('0.13 m or 125 mm')
        ->and($say('{result.depth_m|mm.0}', UnitSystem::Us))->toBe('4.921 in')
        ->and($say('jaws at {result.axis|quarter}'))->toBe('jaws at 1:00 and 6:45')
        ->and($say('{fact.gap_mm|raw}'))->toBe('1.5');
});

/** @return class-string */
function classOf(string $name): string
{
    return (require dirname(__DIR__).'/src/Calculation/catalogue.php')[$name];
}
