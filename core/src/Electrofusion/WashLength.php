<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * Was the end washed far enough back? Dirt behind the washed length is dragged in by tool, cloth and hand. Where there is no
 * room for all of it (a bend, a fitting, the trench wall) what was washed is recorded with its reason; what is peeled is
 * washed in any case.
 */
#[Calculates(
    'wash-length',
    'Was the end washed far enough back?',
    Family::Electrofusion,
    ['short_mm', 'reasons', 'verdict'],
    'Common practice: three times the length of the coupling; never less than what is peeled',
    verdicts: ['good', 'close', 'bad', 'open'],
    codes: ['reasons' => ['short-of-the-peel', 'shorter-for-a-reason', 'shorter']],
)]
final class WashLength
{
    /**
     * @param  float  $wanted  from the end
     * @param  float  $least  what is peeled, from the end
     * @param  float|null  $washed  from the end
     * @param  bool  $hasReason  somebody said why it is less than wanted
     * @return array{short_mm: float|null, reasons: list<string>, verdict: string}
     *
     * @throws Refused where less is wanted than is peeled
     */
    public function __invoke(
        #[Measure('wanted_mm', Quantity::Length, above: 0)] float $wanted,
        #[Measure('least_mm', Quantity::Length, above: 0)] float $least,
        #[Measure('washed_mm', Quantity::Length, min: 0)] ?float $washed = null,
        #[Flag('has_reason', about: 'somebody said why it is less than wanted')] bool $hasReason = false,
    ): array {
        if (! Compare::atMost($least, $wanted)) {
            throw Refused::field('wanted_mm', 'wanted_mm is less than least_mm: what is peeled is washed in any case.');
        }
        if ($washed === null) {
            return ['short_mm' => null, 'reasons' => [], 'verdict' => Verdict::Open->value];
        }
        $reason = match (true) {
            Compare::atLeast($washed, $wanted) => null,
            ! Compare::atLeast($washed, $least) => 'short-of-the-peel',
            $hasReason => 'shorter-for-a-reason',
            default => 'shorter',
        };

        $verdict = match ($reason) {
            null => Verdict::Good,
            'short-of-the-peel' => Verdict::Bad,
            'shorter-for-a-reason' => Verdict::Close,
            default => Verdict::Open,
        };

        return [
            'short_mm' => Si::mm($reason === null ? 0.0 : $wanted - $washed),
            'reasons' => $reason === null ? [] : [$reason],
            'verdict' => $verdict->value,
        ];
    }
}
