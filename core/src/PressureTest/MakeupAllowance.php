<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Units\Unit;

/**
 * Is the water pumped in during the hold acceptable? Judges the water only: the pressure is `hold-check`'s.
 *
 * Pipe that creeps (polyethylene, composite) takes water although it is tight: no method here is for it. The pressure
 * band of another family of procedures is no method either.
 */
#[Calculates(
    'makeup-allowance',
    'Is the make-up water within the allowance?',
    Family::PressureTest,
    ['rate_l_h', 'rate_gal_h', 'allowance_l', 'allowance_gal', 'flag', 'verdict', 'outcome', 'why'],
    'AWWA C600 (148 000); 133 200, 7400 and valve allowance from memory; AS/NZS 2566.2 (0.14) from memory',
    verdicts: ['good', 'bad', 'open'],
    codes: ['why' => ['p_avg', 'visible_leak'], 'outcome' => ['pass', 'fail', 'cannot-tell'], 'flag' => ['material-not-stated']],
)]
final class MakeupAllowance
{
    /** US gal/h per inch of closed metal-seated valve (from memory: AWWA C600). */
    private const VALVE_GAL_H_PER_INCH = 0.0078;

    private const METHODS = ['sdp-148000', 'sdp-133200', 'ndp-7400', 'ldh-0.14', 'mm-km-bar-0.02'];

    private const MATERIALS = ['iron', 'steel', 'concrete', 'fibre-cement', 'pvc', 'grp', 'pe', 'composite'];

    private const CREEPING = ['pe', 'composite'];

    /** method => procedures whose pressure band belongs to it */
    private const BANDS = [
        'sdp-148000' => ['awwa-c600', 'awwa-c605', 'nfpa-24'], 'sdp-133200' => ['awwa-c600-older'], 'ndp-7400' => ['awwa-c605-older'],
        'ldh-0.14' => ['asnzs-constant'], 'mm-km-bar-0.02' => ['uk-old-loss'],
    ];

    /**
     * @param  list<AllowanceSegment>  $segments
     * @param  list<ClosedValve>|null  $valves
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Choice('method', self::METHODS)] string $method,
        #[Items('segments', AllowanceSegment::class)] array $segments,
        #[Measure('p_avg_bar', Quantity::Pressure, min: 0)] float $pressure,
        #[Measure('duration_h', Quantity::Time, above: 0)] float $duration,
        #[Measure('min_duration_h', Quantity::Time, min: 0)] float $minDuration = 7200.0,
        #[Items('closed_metal_valves', ClosedValve::class, atLeast: 0)] ?array $valves = null,
        #[Measure('measured_l', Quantity::Volume, min: 0)] ?float $measured = null,
        #[Flag('visible_leak')] bool $visibleLeak = false,
        #[Number('hydrants', min: 0, max: 10000, whole: true, about: 'dry-barrel hydrants that stand under test')] float $hydrants = 0.0,
        #[Measure('hydrant_rate_l_h', Quantity::Flow, min: 0, about: 'allowed for each of them, a figure of the procedure')]
        ?float $hydrantRate = null,
        #[Choice('material', self::MATERIALS)] ?string $material = null,
        #[Text('band_procedure', about: 'key of the procedure whose pressure band the hold uses')] ?string $band = null,
    ): array {
        if (\in_array($material, self::CREEPING, true)) {
            throw Refused::field(
                'material',
                "This pipe stretches ({$material}): a tight line takes water too, so the allowance {$method} says nothing. ".
                    'Choose a method for pipe that stretches.',
            );
        }
        if ($band !== null && ! \in_array($band, self::BANDS[$method], true)) {
            throw Refused::field(
                'band_procedure',
                "band_procedure is \"{$band}\"; the allowance {$method} goes with the band of ".
                    implode(' or ', self::BANDS[$method]).
                    ' only.',
            );
        }
        if ($hydrants > 0 && $hydrantRate === null) {
            throw Refused::field('hydrant_rate', 'hydrant_rate is missing: say how much the procedure allows for each hydrant.');
        }
        if (! Compare::atLeast($duration, $minDuration)) {
            throw Refused::field(
                'duration',
                sprintf('duration is %g h; this test holds for at least %g h.', $duration / 3600, $minDuration / 3600),
            );
        }
        $rate = 0.0;
        foreach ($segments as $segment) {
            $rate += $this->rate($method, $segment, $pressure);
        }
        foreach ($valves ?? [] as $valve) {
            $rate += self::VALVE_GAL_H_PER_INCH * Si::inches($valve->dn) * Unit::US_GALLON / 3600;
        }
        $rate += $hydrants * (float) $hydrantRate;
        $allowance = $rate * $duration;
        [$outcome, $why] = match (true) {
            $measured === null => [null, null],
            ! Compare::atMost($measured, $allowance) => [Outcome::Fail, null],
            // Nothing was tried.
            $pressure === 0.0 => [Outcome::CannotTell, 'p_avg'],
            default => [Outcome::Pass, null],
        };

        return [
            'rate_l_h' => Si::litres($rate) * 3600, 'rate_gal_h' => Si::usGallons($rate) * 3600,
            'allowance_l' => Si::litres($allowance), 'allowance_gal' => Si::usGallons($allowance),
            ...($material === null ? ['flag' => 'material-not-stated'] : []),
            ...Outcome::answer($outcome, $visibleLeak, $why),
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
            'sdp-148000', 'sdp-133200' => ((Si::feet((float) $s->length) * Si::inches($s->dn) * sqrt(Si::psi($pressure))) /
                (int) substr($method, 4)) *
                $gallons,
            'ndp-7400' => (((float) $s->joints * Si::inches($s->dn) * sqrt(Si::psi($pressure))) / 7400) * $gallons,
            'ldh-0.14' => ((((0.14 * (float) $s->length) / 1000) * $s->dn * $pressure) / 9806.65) * $litres,
            default => ((((0.02 * Si::mm($s->dn) * (float) $s->length) / 1000) * Si::bar($pressure)) / 24) * $litres,
        };
    }
}
