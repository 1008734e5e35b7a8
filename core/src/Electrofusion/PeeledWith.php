<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Verdict;

/** Was the end peeled with the kind of tool that was taken out of the stores? A hand scraper does not pass for a turning tool. */
#[Calculates(
    'peeled-with',
    'Peeled with the tool that was taken?',
    Family::Electrofusion,
    ['reasons', 'verdict'],
    'Common practice: the depth that is wanted, and how evenly it is peeled, go by the kind of tool',
    verdicts: ['good', 'bad'],
    codes: ['reasons' => ['hand-for-turning', 'turning-for-hand']],
)]
final class PeeledWith
{
    private const WAYS = ['turning', 'hand'];

    /**
     * @param  string  $said  how the end was peeled
     * @param  string  $kept  how the tool of the record peels
     * @return array{reasons: list<string>, verdict: string}
     */
    public function __invoke(#[Choice('said', self::WAYS)] string $said, #[Choice('kept', self::WAYS)] string $kept): array
    {
        return $said === $kept
            ? ['reasons' => [], 'verdict' => Verdict::Good->value]
            : ['reasons' => ["{$kept}-for-{$said}"], 'verdict' => Verdict::Bad->value];
    }
}
