<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/** The largest stone that may lie against a pipe of this size. A size between two rows takes the stricter neighbour. */
#[Calculates(
    'particle-limit',
    'Which stones may lie against the pipe?',
    Family::Gasketed,
    ['max_particle_mm', 'between_rows', 'pass', 'verdict'],
    'Rows of the procedure; EN 1610:1997, ASTM D2321 or the maker of the pipe',
    verdicts: ['good', 'bad', 'open'],
)]
final class ParticleLimit
{
    /**
     * @param  list<ParticleRow>  $rows  rising
     * @return array{max_particle_mm: float, between_rows: bool, pass: bool|null, verdict: string}
     *
     * @throws Refused for a size before the first row or beyond the last
     */
    public function __invoke(
        #[Number('nominal_mm', above: 0)] float $nominal,
        #[Items('rows', ParticleRow::class, atMost: 100)] array $rows,
        #[Measure('particle_mm', Quantity::Length, min: 0, about: 'largest stone found')] ?float $particle = null,
    ): array {
        [$limit, $between] = self::limit($nominal, $rows);
        $pass = $particle === null ? null : Compare::atMost($particle, $limit);

        return [
            'max_particle_mm' => Si::mm($limit), 'between_rows' => $between,
            'pass' => $pass, 'verdict' => Verdict::ofPass($pass)->value,
        ];
    }

    /**
     * @param  list<ParticleRow>  $rows
     * @return array{float, bool} m; whether the size lies between two rows
     */
    private static function limit(float $nominal, array $rows): array
    {
        self::mustRise($rows);
        $before = null;
        foreach ($rows as $row) {
            if ($row->from !== null && ! Compare::atLeast($nominal, $row->from)) {
                return $before === null
                    ? throw Refused::field('nominal_mm', "nominal_mm is {$nominal}; the table begins at {$row->from}.")
                    : [min($before->most, $row->most), true];
            }
            if (Compare::atMost($nominal, $row->to)) {
                return [$row->most, false];
            }
            $before = $row;
        }
        throw Refused::field('nominal_mm', "nominal_mm is {$nominal}; the table ends at ".($before->to ?? 0).': ask the engineer.');
    }

    /** @param  list<ParticleRow>  $rows */
    private static function mustRise(array $rows): void
    {
        $ended = 0.0;
        foreach ($rows as $row) {
            if ($row->to <= $ended || ($row->from !== null && ($row->from > $row->to || $row->from < $ended))) {
                throw Refused::field(
                    'rows.dn_to',
                    "dn_to must rise from row to row, and a row begin where the one before has ended; {$row->to} does not.",
                );
            }
            $ended = $row->to;
        }
    }
}
