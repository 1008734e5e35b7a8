<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/**
 * Density tests of a stretch, in the order in which they were made. In each place the last one counts; one that is bad wants another
 * method and a test again, and a test again without another method proves nothing.
 */
#[Calculates(
    'density-log',
    'Is every lift compacted, and was what was soft done again?',
    Family::Gasketed,
    ['degrees_pct', 'worst_pct', 'places', 'retested', 'fails', 'verdict'],
    'ASTM D698 or D1557 as the limit names it; another method, then a test again: common practice',
    codes: ['fails' => ['soft:*', 'wet:*', 'same-method:*', 'cannot-be:*', 'suspect:*']],
)]
final class DensityLog
{
    /**
     * @param  list<DensityReading>  $tests
     * @return array{
     *     degrees_pct: list<float|null>, worst_pct: float|null, places: int, retested: int, fails: list<string>, verdict: string
     * } worst of the tests that count; a degree null: denser than soil can be
     */
    public function __invoke(
        #[Items('tests', DensityReading::class, atLeast: 0, atMost: 2000)] array $tests,
        #[Measure('max_dry_density_kg_m3', Quantity::Density, min: 1000, max: 2800)] float $reference,
        #[Number('limit_pct', min: 70, max: 105)] float $limit,
        #[Number('degree_u_pct', min: 0, max: 20, about: 'uncertainty of the degree, k = 2')] ?float $uncertainty = null,
        #[Number('particle_density_ratio', min: 2.4, max: 3.2)] ?float $grains = null,
        #[Number('optimum_moisture_pct', min: 0, max: 60)] ?float $optimum = null,
        #[Number('moisture_window_pct', min: 0, max: 20)] ?float $window = null,
    ): array {
        $degrees = [];
        $counts = [];
        $retested = 0;
        foreach ($tests as $test) {
            $place = $test->place();
            $found = $this->found($test, $reference, $limit, $uncertainty, $grains, $optimum, $window);
            $degrees[] = $found['degree'];
            $before = $counts[$place] ?? null;
            $retested += (int) ($before['owes'] ?? false);
            // Bad once, a place wants another method: to test it over and over until it passes is none.
            $owes = ($before['owes'] ?? false) && trim($test->changed ?? '') === '';
            if ($owes && $found['verdict'] !== Verdict::Bad) {
                $found = ['verdict' => Verdict::Open, 'fails' => ["same-method:{$place}"]] + $found;
            }
            $found['owes'] = $owes || $found['verdict'] === Verdict::Bad;
            $counts[$place] = $found;
        }
        $known = array_filter(array_column($counts, 'degree'), fn (?float $degree): bool => $degree !== null);

        return [
            'degrees_pct' => $degrees,
            'worst_pct' => $known === [] ? null : min($known),
            'places' => \count($counts),
            'retested' => $retested,
            'fails' => array_merge(...array_column($counts, 'fails')),
            'verdict' => Verdict::worst(...array_column($counts, 'verdict'))->value,
        ];
    }

    /** @return array{degree: float|null, verdict: Verdict, fails: list<string>} */
    private function found(
        DensityReading $test,
        float $reference,
        float $limit,
        ?float $uncertainty,
        ?float $grains,
        ?float $optimum,
        ?float $window,
    ): array {
        try {
            $out = (new CompactionTest)(
                $test->moisture,
                $reference,
                $limit,
                $test->wet,
                grains: $grains,
                optimum: $optimum,
                window: $window,
                uncertainty: $uncertainty,
            );
        } catch (Refused) {
            return ['degree' => null, 'verdict' => Verdict::Open, 'fails' => ["cannot-be:{$test->place()}"]];
        }
        $codes = array_map(
            fn (string $failed): string => ($failed === 'density' ? 'soft:' : 'wet:').$test->place(),
            (array) $out['failed'],
        );
        $suspect = $out['verdict'] === Verdict::Open->value ? ["suspect:{$test->place()}"] : [];

        return [
            'degree' => $out['degree_pct'], 'verdict' => Verdict::from($out['verdict']), 'fails' => [...array_values($codes), ...$suspect],
        ];
    }
}
