<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Verdict;

/**
 * Is this the kind of fitting that the joint wants? The code of a coupler, fused into a saddle, gives it the wrong heat:
 * size, voltage and time may agree all the same. Where the code does not tell its kind it is open.
 */
#[Calculates(
    'fitting-kind',
    'Is this the kind of fitting that the joint wants?',
    Family::Electrofusion,
    ['is', 'verdict'],
    'ISO 13950: a fitting code tells the kind of fitting (std); which digits do is data of the layout',
    verdicts: ['good', 'bad', 'open'],
    codes: ['is' => self::KINDS],
)]
final class FittingKind
{
    /** Pipe ends go into it: coupler, reducer, elbow; fused on the outside of a pipe; a flexible restraint beside a joint. */
    public const KINDS = ['socket', 'saddle', 'restraint'];

    /** @return array{is: list<string>, verdict: string} `is`: what it is instead */
    public function __invoke(
        #[Choice('wanted', self::KINDS)] string $wanted,
        #[Choice('fitting_kind', self::KINDS)] ?string $told = null,
    ): array {
        if ($told === null) {
            return ['is' => [], 'verdict' => Verdict::Open->value];
        }

        return $told === $wanted
            ? ['is' => [], 'verdict' => Verdict::Good->value]
            : ['is' => [$told], 'verdict' => Verdict::Bad->value];
    }
}
