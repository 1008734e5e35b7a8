<?php

declare(strict_types=1);

namespace Diastoma\Core\Lifting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** The row of a table by size: how a pipe is lifted, or where its gasket sits. A size between two rows takes the heavier one. */
#[Calculates(
    'lifting-method',
    'How is a pipe of this size lifted?',
    Family::Gasketed,
    ['method', 'spacing_m'],
    'Rows of the procedure: the maker\'s sheet rules',
    codes: ['method' => ['*']],
)]
final class LiftingMethod
{
    /**
     * @param  list<MethodRow>  $rows
     * @return array{method: string, spacing_m: float|null}
     */
    public function __invoke(
        #[Number('nominal_in', above: 0)] float $nominal,
        #[Items('rows', MethodRow::class, atMost: 100)] array $rows,
    ): array {
        foreach ($rows as $i => $row) {
            if ($i > 0 && $row->to <= $rows[$i - 1]->to) {
                throw Refused::field('rows.to_in', "to_in must rise from row to row; {$row->to} follows {$rows[$i - 1]->to}.");
            }
        }
        foreach ($rows as $row) {
            if (Compare::atMost($nominal, $row->to)) {
                return ['method' => $row->method, 'spacing_m' => $row->spacing];
            }
        }
        $most = $rows[\count($rows) - 1]->to ?? 0;
        throw Refused::field('nominal_in', "nominal_in is {$nominal}; the table ends at {$most}: ask the maker.");
    }
}
