<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Verdict;

/** May codes be read by this layout? Somebody must have confirmed it and proved it on fittings in hand. */
#[Calculates(
    'code-layout-check',
    'May codes be read by this layout?',
    Family::Electrofusion,
    ['fields', 'free_digits', 'usable', 'open_items', 'verdict'],
    'ISO 13950 defines the digits (std); which hold what is not known here',
    verdicts: ['good', 'open'],
    codes: ['open_items' => ['practice', 'nobody has confirmed it', 'not proved on fittings in hand']],
)]
final class CodeLayoutCheck
{
    /** @return array{fields: int, free_digits: list<int>, usable: bool, open_items: list<string>, verdict: string} */
    public function __invoke(
        #[Anything('layout', edit: 'layout')] mixed $layout,
        #[Flag('practice')] bool $practice = false,
        #[Text('confirmed_by')] ?string $confirmedBy = null,
        #[Text('proved_on')] ?string $provedOn = null,
    ): array {
        $layout = FittingCodeLayout::from($layout);
        $taken = [];
        foreach ($layout->fields as $field) {
            array_push($taken, ...range($field['from'], $field['to']));
        }
        $open = $practice
            ? ['practice']
            : array_values(
                array_filter([
                    $confirmedBy === null ? 'nobody has confirmed it' : null,
                    $provedOn === null ? 'not proved on fittings in hand' : null,
                ]),
            );

        return [
            'fields' => \count($layout->fields),
            'free_digits' => array_values(array_diff(range(1, FittingCodeLayout::DIGITS - 1), $taken)),
            'usable' => $practice || $open === [],
            'open_items' => $open,
            'verdict' => ($open === [] ? Verdict::Good : Verdict::Open)->value,
        ];
    }
}
