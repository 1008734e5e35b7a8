<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/** Is the water pumped in during the hold acceptable? Judges the water only: the pressure is `hold-check`'s. */
#[Calculates(
    'makeup-allowance',
    'Is the make-up water within the allowance?',
    Family::PressureTest,
    ['rate_l_h', 'rate_gal_h', 'allowance_l', 'allowance_gal', 'verdict', 'outcome', 'why'],
    'AWWA C600 (148 000); 133 200, 7400 and valve allowance from memory; AS/NZS 2566.2 (0.14) from memory',
)]
final class MakeupAllowance
{
    /** US gal/h per inch of closed metal-seated valve (from memory: AWWA C600). */
    private const VALVE_GAL_H_PER_INCH = 0.0078;

    /**
     * @param  list<AllowanceSegment>  $segments
     * @param  list<ClosedValve>|null  $valves
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Choice('method', ['sdp-148000', 'sdp-133200', 'ndp-7400', 'ldh-0.14', 'mm-km-bar-0.02'])] string $method,
        #[Items('segments', AllowanceSegment::class)] array $segments,
        #[Measure('p_avg_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('min_duration_h', Quantity::Time, min: 0)] float $minDuration = 7200.0,
        #[Items('closed_metal_valves', ClosedValve::class, atLeast: 0)] ?array $valves = null,
        #[Measure('measured_l', Quantity::Volume, min: 0)] ?float $measured = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
    ): array {
        if (! Compare::atLeast($duration, $minDuration)) {
            throw Refused::field('duration', sprintf('duration is %g h; this test holds for at least %g h.', $duration / 3600, $minDuration / 3600));
        }
        $rate = 0.0;
        foreach ($segments as $segment) {
            $rate += $this->rate($method, $segment, $pressure);
        }
        foreach ($valves ?? [] as $valve) {
            $rate += self::VALVE_GAL_H_PER_INCH * Si::inches($valve->dn) * Unit::US_GALLON / 3600;
        }
        $allowance = $rate * $duration;
        $outcome = $measured === null ? null : (Compare::atMost($measured, $allowance) ? Outcome::Pass : Outcome::Fail);

        return [
            'rate_l_h' => Si::litres($rate) * 3600, 'rate_gal_h' => Si::usGallons($rate) * 3600,
            'allowance_l' => Si::litres($allowance), 'allowance_gal' => Si::usGallons($allowance),
            ...Outcome::answer($outcome, $visibleLeak),
        ];
    }

    /** m³/s */
    private function rate(string $method, AllowanceSegment $s, float $pressure): float
    {
        $perJoint = $method === 'ndp-7400';
        if ($perJoint ? $s->joints === null : $s->length === null) {
            $field = $perJoint ? 'joints' : 'length';
            throw Refused::field($field, "{$field} is missing in a segment: the method {$method} goes by it.");
        }
        $gallons = Unit::US_GALLON / 3600;
        $litres = 1e-3 / 3600;

        return match ($method) {
            'sdp-148000', 'sdp-133200' => Si::feet((float) $s->length) * Si::inches($s->dn) * sqrt(Si::psi($pressure)) / (int) substr($method, 4) * $gallons,
            'ndp-7400' => (float) $s->joints * Si::inches($s->dn) * sqrt(Si::psi($pressure)) / 7400 * $gallons,
            'ldh-0.14' => 0.14 * (float) $s->length / 1000 * $s->dn * $pressure / 9806.65 * $litres,
            default => 0.02 * Si::mm($s->dn) * (float) $s->length / 1000 * Si::bar($pressure) / 24 * $litres,
        };
    }
}
