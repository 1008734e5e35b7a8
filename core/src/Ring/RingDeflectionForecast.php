<?php

declare(strict_types=1);

namespace Diastoma\Core\Ring;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** The modified Iowa formula: how far soil and traffic will flatten the pipe. An order of magnitude: soil scatters by 1 to 2 points. */
#[Calculates(
    'ring-deflection-forecast',
    'How far will the soil flatten the pipe?',
    Family::Gasketed,
    ['deflection_pct', 'pipe_share_pct', 'pass', 'verdict', 'reasons'],
    'Modified Iowa formula; its coefficients: common practice',
    verdicts: ['close', 'bad', 'open'],
    codes: ['reasons' => ['forecast']],
)]
final class RingDeflectionForecast
{
    /** Iowa formula: share of the soil's modulus against eight nominal stiffnesses. */
    private const SOIL = 0.061;

    private const PLATES = 0.149;

    /**
     * @return array{
     *     deflection_pct: float, pipe_share_pct: float, pass: bool|null, verdict: string, reasons: list<string>
     * } a forecast is close at best: only a measured diameter is good
     */
    public function __invoke(
        #[Measure('cover_m', Quantity::Length, min: 0, max: 30)] float $cover,
        #[Number('soil_n_m3', min: 10000, max: 26000, about: 'unit weight, N/m³')] float $soil,
        #[Number('bedding_k', min: 0.08, max: 0.115)] float $k,
        #[Number('lag', min: 1, max: 3, about: '1 with the full prism of soil, 1.5 with a reduced load')] float $lag,
        #[Measure('e_design_pa', Quantity::Pressure, min: 0)] float $modulus,
        #[Measure('sn_pa', Quantity::Pressure, above: 0)] ?float $nominal = null,
        #[Measure('ps_pa', Quantity::Pressure, above: 0)] ?float $plates = null,
        #[Measure('live_pa', Quantity::Pressure, min: 0)] float $live = 0.0,
        #[Number('limit_pct', above: 0, max: 15)] ?float $limit = null,
    ): array {
        if (($nominal === null) === ($plates === null)) {
            throw Refused::field('sn_pa|ps_pa', 'Give one of sn_pa and ps_pa: the stiffness of the pipe.');
        }
        $pipe = $nominal !== null ? 8 * $nominal : self::PLATES * (float) $plates;
        $soilHolds = self::SOIL * $modulus;
        $deflection = 100 * $k * ($lag * $soil * $cover + $live) / ($pipe + $soilHolds);
        $pass = $limit === null ? null : Compare::atMost($deflection, $limit);

        return [
            'deflection_pct' => $deflection,
            'pipe_share_pct' => 100 * $pipe / ($pipe + $soilHolds),
            'pass' => $pass,
            'verdict' => ($pass === true ? Verdict::Close : Verdict::ofPass($pass))->value,
            'reasons' => $pass === true ? ['forecast'] : [],
        ];
    }
}
