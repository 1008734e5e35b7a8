<?php

declare(strict_types=1);

namespace Diastoma\Core\Trench;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** Lifts as they were placed: none thicker than may be, both sides together, each entered once. */
#[Calculates(
    'lifts-laid',
    'Was the fill placed in lifts, both sides together?',
    Family::Gasketed,
    ['count', 'height_m', 'thickest_m', 'fails', 'waits', 'verdict'],
    'Common practice; the thickness is the procedure\'s',
    codes: ['fails' => ['too-thick:*', 'one-sided:*', 'twice:*'], 'waits' => ['*']],
)]
final class LiftsLaid
{
    /**
     * @param  list<LaidLift>  $lifts
     * @return array{
     *     count: int, height_m: float, thickest_m: float|null, fails: list<string>, waits: list<string>, verdict: string
     * } waits: lifts of which nobody said whether both sides rose together
     */
    public function __invoke(
        #[Items('lifts', LaidLift::class, atLeast: 0, atMost: 1000)] array $lifts,
        #[Measure('lift_most_mm', Quantity::Length, above: 0, max: 3000)] float $most,
        #[Measure('u_mm', Quantity::Length, min: 0, about: 'uncertainty of a thickness, k = 2')] ?float $uncertainty = null,
    ): array {
        $seen = $fails = $waits = [];
        $verdicts = $lifts === [] ? [Verdict::Open] : [];
        foreach ($lifts as $lift) {
            $name = "lift {$lift->lift}";
            if (isset($seen[$name])) {
                $fails[] = "twice:{$name}";
                $verdicts[] = Verdict::Open;
            }
            $seen[$name] = true;
            if (! Compare::atMost($lift->thick, $most)) {
                $fails[] = "too-thick:{$name}";
                $verdicts[] = Verdict::Bad;
            } elseif ($uncertainty === null || ! Compare::atMost($lift->thick + $uncertainty, $most)) {
                $verdicts[] = Verdict::Close;
            }
            if ($lift->together === false) {
                $fails[] = "one-sided:{$name}";
                $verdicts[] = Verdict::Bad;
            } elseif ($lift->together === null) {
                $waits[] = $name;
                $verdicts[] = Verdict::Open;
            }
        }
        $thick = array_map(fn (LaidLift $lift): float => $lift->thick, $lifts);

        return [
            'count' => \count($lifts), 'height_m' => (float) array_sum($thick), 'thickest_m' => $thick === [] ? null : max($thick),
            'fails' => $fails, 'waits' => $waits, 'verdict' => Verdict::worst(Verdict::Good, ...$verdicts)->value,
        ];
    }
}
