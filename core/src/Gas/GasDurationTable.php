<?php

declare(strict_types=1);

namespace Diastoma\Core\Gas;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Rows;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Compare;
use Diastoma\Core\PressureTest\Outcome;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/**
 * How long the operator's procedure wants a volume to stand. A table whose source nobody has named and confirmed answers
 * the hours and nothing that could be signed.
 */
#[Calculates(
    'gas-duration-table',
    'How long must this volume stand, by the operator\'s table?',
    Family::PressureTest,
    ['duration_h', 'verdict', 'outcome', 'why'],
    'Table of the operator\'s procedure',
    verdicts: ['open'],
    codes: ['why' => ['not-confirmed'], 'outcome' => ['cannot-tell']],
)]
final class GasDurationTable
{
    /**
     * @param  list<list<float>>  $table
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Measure('volume_m3', Quantity::Volume, above: 0)] float $volume,
        #[Rows('table', ['m3', 'h'], notNegative: true)] array $table,
        #[Text('source', about: 'procedure and edition')] ?string $source = null,
        #[Text('confirmed_by')] ?string $confirmedBy = null,
    ): array {
        $isConfirmed = trim((string) $source) !== '' && trim((string) $confirmedBy) !== '';
        foreach ($table as [$upTo, $hours]) {
            if (Compare::atMost($volume, $upTo)) {
                return ['duration_h' => $hours] +
                    ($isConfirmed ? [] : Outcome::answer(Outcome::CannotTell, false, 'not-confirmed'));
            }
        }
        throw Refused::field(
            'volume',
            sprintf('volume is %g m³; the table ends at %g m³.', $volume, $table[\count($table) - 1][0]),
        );
    }
}
