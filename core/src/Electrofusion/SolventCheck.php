<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Verdict;

/**
 * Does this solvent clean and leave nothing behind, by the school of the procedure? Isopropanol goes by its strength: what is
 * not alcohol in it is water, which stays on the skin. The mix of ethanol and MEK dries wholly; acetone only where the
 * authority orders it.
 */
#[Calculates(
    'solvent-check',
    'Is this the solvent that the procedure wants?',
    Family::Electrofusion,
    ['fails', 'open_items', 'verdict'],
    'Common practice: isopropanol of 90 or 96 % and more; 99 % ethanol with 1 % MEK; acetone by order of the authority',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['kind', 'strength'], 'open_items' => ['kind', 'strength', 'limit']],
)]
final class SolventCheck
{
    public const KINDS = ['isopropanol', 'ethanol-mek', 'acetone', 'other'];

    /**
     * @param  float|null  $strength  of the isopropanol, percent
     * @param  float|null  $least  strength that the procedure wants of it, percent
     * @return array{fails: list<string>, open_items: list<string>, verdict: string}
     */
    public function __invoke(
        #[Choice('kind', self::KINDS)] ?string $kind = null,
        #[Number('strength_pct', above: 0, max: 100)] ?float $strength = null,
        #[Number('isopropanol_min_pct', above: 0, max: 100)] ?float $least = null,
        #[Flag('mix_allowed', about: 'the procedure takes 99 % ethanol with 1 % MEK')] bool $mixAllowed = false,
        #[Flag('acetone_allowed', about: 'the authority orders it')] bool $acetoneAllowed = false,
    ): array {
        $fails = $open = [];
        if ($kind === null) {
            $open[] = 'kind';
        } elseif ($kind === 'isopropanol') {
            $open = [...($strength === null ? ['strength'] : []), ...($least === null ? ['limit'] : [])];
            $fails = $strength !== null && $least !== null && ! Compare::atLeast($strength, $least) ? ['strength'] : [];
        } elseif (! (['ethanol-mek' => $mixAllowed, 'acetone' => $acetoneAllowed][$kind] ?? false)) {
            $fails[] = 'kind';
        }

        return [
            'fails' => $fails,
            'open_items' => $open,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($open !== [] ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
