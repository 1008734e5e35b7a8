<?php

declare(strict_types=1);

namespace Diastoma\Core\Round;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * How far the section is from a circle, by the definition that the limit is written in.
 *
 * Judged on the larger of the raw spread and twice the second harmonic of the fit, because a few
 * diameters may miss the long axis. Fewer than three directions can prove bad, never good.
 */
#[Calculates(
    'out-of-round',
    'How far is the pipe out of round, and which way is it long?',
    Family::Measuring,
    [
        'min_mm',
        'max_mm',
        'mean_mm',
        'difference_mm',
        'ovality',
        'fitted_range_mm',
        'judged_ovality',
        'long_axis_deg',
        'largest_at_deg',
        'verdict',
        'uncertain',
        'reasons',
    ],
    'ISO 11922-1 (difference); others by the rule that names them',
)]
final class OutOfRound
{
    public const DEFINITIONS = ['difference', 'of-nominal', 'of-mean', 'of-sum', 'deflection', 'deflection-of-nominal'];

    private const FAR_OFF_NOMINAL = 0.15;

    /**
     * @param  non-empty-list<LengthReading>  $diameters
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Items('diameters', LengthReading::class, atLeast: 2)] array $diameters,
        #[Measure('nominal_od_mm', Quantity::Length, above: 0)] ?float $nominal = null,
        #[Choice('definition', self::DEFINITIONS)] string $definition = 'difference',
        #[Number('limit_out_of_round', min: 0, about: 'mm or %, as the definition')] ?float $limit = null,
        #[Number('u_expanded', min: 0, about: 'mm or %, as the definition')] ?float $u = null,
        #[Number('max_inflation', min: 1)] float $maxInflation = 2.0,
        #[Measure('taped_mm', Quantity::Length, above: 0)] ?float $taped = null,
        #[Measure('u_tape_check_mm', Quantity::Length, min: 0)] ?float $uTape = null,
        #[Choice('rule', Guard::RULES)] string $rule = 'guarded',
    ): array {
        if ($nominal === null && \in_array($definition, ['of-nominal', 'deflection-of-nominal'], true)) {
            throw Refused::field('nominal_od_mm', "nominal_od_mm is missing: the definition {$definition} divides by it.");
        }
        $values = array_map(fn (LengthReading $r) => $r->value, $diameters);
        $this->refuseNonsense($diameters, $values, $nominal, $definition, $u);

        $mean = array_sum($values) / \count($values);
        [$min, $max] = [min($values), max($values)];
        $fit = HarmonicFit::of(array_map(fn (LengthReading $r) => deg2rad($r->degrees), $diameters), $values, [2]);
        $reasons = [];
        $enough = $fit !== null && $fit->inflation(2) <= $maxInflation * (1 + 1e-9);
        if (! $enough) {
            $reasons[] = 'too few directions: this spread can prove bad, never good';
            $fit = null;
        }
        $raw = $this->byDefinition($definition, $min, $max, $mean, $nominal);
        $fitted =
            $fit === null
                ? null
                : $this->byDefinition(
                    $definition,
                    $fit->mean() - $fit->amplitude(2),
                    $fit->mean() + $fit->amplitude(2),
                    $fit->mean(),
                    $nominal,
                );
        $judged = max($raw, $fitted ?? 0.0);
        $guard = Guard::judge($judged, null, $limit, $u, $rule);
        $verdict = $guard->verdict;
        if (! $enough && $verdict !== Verdict::Bad) {
            $verdict = Verdict::Open;
        }
        if ($taped !== null && $uTape !== null && $enough && abs($mean - $taped) > $uTape * (1 + 1e-9)) {
            $reasons[] = 'tape and caliper disagree: measure again, look for a flat, dent or bead';
            $verdict = Verdict::worst($verdict, Verdict::Open);
        }
        $direction = $fit === null ? null : DirectionTest::of($fit, 2, null, $max);

        return [
            'min_mm' => Si::mm($min), 'max_mm' => Si::mm($max), 'mean_mm' => Si::mm($mean), 'difference_mm' => Si::mm($max - $min),
            'ovality' => $raw, 'fitted_range_mm' => $fit === null ? null : Si::mm(2 * $fit->amplitude(2)), 'judged_ovality' => $judged,
            'long_axis_deg' => $fit !== null && $direction?->shown ? rad2deg($fit->direction(2)) : null,
            'largest_at_deg' => fmod($diameters[(int) array_search($max, $values, true)]->degrees, 180),
            'verdict' => $verdict->value, 'uncertain' => $guard->uncertain,
            'reasons' => [...$guard->reasons, ...$reasons, ...array_filter([$direction?->reason])],
        ];
    }

    /**
     * @param  non-empty-list<LengthReading>  $diameters
     * @param  list<float>  $values
     */
    private function refuseNonsense(array $diameters, array $values, ?float $nominal, string $definition, ?float $u): void
    {
        foreach ($values as $value) {
            if ($value <= 0) {
                throw Refused::field('diameters', 'a diameter must be more than 0 mm.');
            }
            if ($nominal !== null && abs($value / $nominal - 1) > self::FAR_OFF_NOMINAL) {
                throw Refused::field(
                    'diameters',
                    sprintf('%g mm is more than 15 %% off the nominal %g mm: wrong unit?', Si::mm($value), Si::mm($nominal)),
                );
            }
        }
        $uMetres = $u === null ? null : ($definition === 'difference' ? $u * 0.001 : $u / 100 * $values[0]);
        foreach ($diameters as $i => $a) {
            foreach (\array_slice($diameters, $i + 1) as $b) {
                if (
                    $uMetres !== null &&
                    abs(fmod($a->degrees, 180) - fmod($b->degrees, 180)) < 1e-9 &&
                    abs($a->value - $b->value) > 2 * $uMetres
                ) {
                    throw Refused::field(
                        'diameters',
                        sprintf(
                            'two readings at %s differ by %g mm, more than twice the uncertainty: measure again.',
                            Clock::text($a->degrees),
                            Si::mm(abs($a->value - $b->value)),
                        ),
                    );
                }
            }
        }
    }

    private function byDefinition(string $definition, float $min, float $max, float $mean, ?float $nominal): float
    {
        return match ($definition) {
            'difference' => Si::mm($max - $min),
            'of-nominal' => 100 * ($max - $min) / (float) $nominal,
            'of-mean' => 200 * ($max - $min) / ($max + $min),
            'of-sum' => 100 * ($max - $min) / ($max + $min),
            'deflection' => 100 * ($mean - $min) / $mean,
            default => 100 * ((float) $nominal - $min) / (float) $nominal,
        };
    }
}
