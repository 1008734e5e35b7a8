<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Readings;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;
use Diastoma\Core\Round\HarmonicFit;
use Diastoma\Core\Round\Spread;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * The gap felt round the coupling: largest, smallest, where, and what shape it shows. Readings on one side prove
 * nothing good: nobody looked at the other.
 */
#[Calculates(
    'gap-feelers',
    'Is the gap round the coupling small enough everywhere?',
    Family::Electrofusion,
    [
        'gap_max_mm',
        'gap_min_mm',
        'gap_mean_mm',
        'max_at_clock_h',
        'max_at',
        'opposite_sum_mm',
        'ecc_mm',
        'ecc_toward_deg',
        'ovality_mm',
        'empty_arc_deg',
        'limit_used_mm',
        'limit_from',
        'reasons',
        'verdict',
    ],
    'Least squares, k = 1 and 2; limit from the procedure, or by size from memory (DVS 2207-1) where the label is silent',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['bunched']],
)]
final class GapFeelers
{
    /**
     * @param  non-empty-list<FeelerReading>  $readings
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Readings('readings', FeelerReading::class, 'clock_h', 'gap', atLeast: 4)] array $readings,
        #[Measure('limit_mm', Quantity::Length, min: 0)] ?float $limit = null,
        #[Flag('strict')] bool $strict = false,
        #[Number('max_empty_arc_deg', above: 0, max: 360)] float $maxEmptyArc = Spread::ALL_ROUND_DEG,
        #[Number('max_inflation', min: 1)] float $maxInflation = Spread::MOST_INFLATION,
        #[Flag('label_silent', about: 'label and maker\'s sheet were read and give no gap')] bool $silent = false,
        #[Measure('dn_mm', Quantity::Length, above: 0, about: 'wanted with a silent label')] ?float $dn = null,
        #[Flag('table_confirmed', about: 'an engineer has taken over the table by size')] bool $confirmed = false,
    ): array {
        $allowed = GapLimit::of($limit, $silent, $dn, $confirmed);
        $gaps = [];
        foreach ($readings as $r) {
            $hour = (string) round($r->hour, 6);
            if (isset($gaps[$hour])) {
                throw Refused::field('readings', "readings: {$hour} o'clock came twice (12 and 0 are one).");
            }
            $gaps[$hour] = $r->gap;
        }
        $max = max($gaps);
        $maxAt = (float) array_key_first(array_filter($gaps, fn ($g) => Compare::equal($g, $max)));
        $sums = [];
        foreach ($gaps as $hour => $gap) {
            $opposite = (string) round((float) $hour + 6, 6);
            if ((float) $hour < 6 && isset($gaps[$opposite])) {
                $sums[] = Si::mm($gap + $gaps[$opposite]);
            }
        }
        $spread = Spread::of(array_map(fn (FeelerReading $r) => 30 * $r->hour, $readings));
        $bunched = $spread->isBunched($maxEmptyArc, $maxInflation);
        $verdict = $allowed->judge($max, $strict);
        $fit =
            \count($gaps) < 5 || $bunched
                ? null
                : HarmonicFit::of(
                    array_map(fn (FeelerReading $r) => deg2rad(30 * $r->hour), $readings),
                    array_map(fn (FeelerReading $r) => $r->gap, $readings),
                    [1, 2],
                );

        return [
            'gap_max_mm' => Si::mm($max), 'gap_min_mm' => Si::mm(min($gaps)), 'gap_mean_mm' => Si::mm(array_sum($gaps) / \count($gaps)),
            'max_at_clock_h' => $maxAt, 'max_at' => Clock::text($maxAt * 30), 'opposite_sum_mm' => $sums,
            'ecc_mm' => $fit === null ? null : Si::mm($fit->amplitude(1)),
            'ecc_toward_deg' => $fit === null || $fit->amplitude(1) < 1e-12 ? null : fmod(rad2deg($fit->direction(1)) + 180, 360),
            'ovality_mm' => $fit === null ? null : Si::mm(4 * $fit->amplitude(2)),
            'empty_arc_deg' => $spread->emptyArc, ...$allowed->toArray(), 'reasons' => $bunched ? ['bunched'] : [],
            'verdict' => ($bunched && $verdict === Verdict::Good ? Verdict::Open : $verdict)->value,
        ];
    }
}
