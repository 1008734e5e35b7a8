<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Pipe\PipeOd;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Does the fitting's label suit this pipe? Too thin a wall collapses inwards under melt pressure. Fittings for inch pipe are
 * named by their nominal size, and those of two series with one name do not interchange: without its series nothing is good.
 */
#[Calculates(
    'label-check',
    'Does the fitting suit the pipe?',
    Family::Electrofusion,
    ['fails', 'open_items', 'verdict'],
    'Range printed on the fitting',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['size', 'sdr-range', 'series'], 'open_items' => ['series']],
)]
final class LabelCheck
{
    private const SERIES = ['metric', 'ips', 'dips'];

    /** How the tables of outside diameters call the series of inch sizes. */
    private const TABLE = ['ips' => 'ips', 'dips' => 'awwa-ciod'];

    /** Outside diameters are tabled to a thousandth of an inch and kept to a tenth of a millimetre, m. */
    private const SAME = 1e-4;

    /** @return array{fails: list<string>, open_items: list<string>, verdict: string} */
    public function __invoke(
        #[Measure('pipe_dn_mm', Quantity::Length, above: 0)] float $pipe,
        #[Measure('fitting_dn_mm', Quantity::Length, above: 0)] float $fitting,
        #[Number('pipe_sdr', above: 0)] float $sdr,
        #[Number('sdr_min', above: 0)] float $min,
        #[Number('sdr_max', above: 0)] float $max,
        #[Choice('pipe_series', self::SERIES)] ?string $pipeSeries = null,
        #[Choice('fitting_series', self::SERIES)] ?string $fittingSeries = null,
    ): array {
        $pipeSeries ??= 'metric';
        $isOther = $fittingSeries !== null && $fittingSeries !== $pipeSeries;
        if ($min > $max) {
            throw Refused::field('sdr_max', "sdr_max {$max} is below sdr_min {$min}.");
        }
        $fails = [];
        if ($isOther) {
            $fails[] = 'series';
        } elseif (! self::isOfSize($pipe, $fitting, $pipeSeries)) {
            $fails[] = 'size';
        }
        if (! Compare::atLeast($sdr, $min) || ! Compare::atMost($sdr, $max)) {
            $fails[] = 'sdr-range';
        }

        $open = $pipeSeries !== 'metric' && $fittingSeries === null ? ['series'] : [];
        $verdict = $fails !== [] ? Verdict::Bad : ($open !== [] ? Verdict::Open : Verdict::Good);

        return ['fails' => $fails, 'open_items' => $open, 'verdict' => $verdict->value];
    }

    /** Named by the outside diameter itself, or, inch sizes, by the nominal size of their series. */
    private static function isOfSize(float $pipe, float $fitting, string $series): bool
    {
        if (Compare::equal($pipe, $fitting)) {
            return true;
        }
        if ($series === 'metric') {
            return false;
        }
        try {
            $od = (new PipeOd)(self::TABLE[$series], round(Si::inches($fitting), 3))['od_m'];
        } catch (Refused) {
            return false;
        }

        return abs($od - $pipe) <= self::SAME;
    }
}
