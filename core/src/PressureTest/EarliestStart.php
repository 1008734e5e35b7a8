<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calendar;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** When the test may begin: the last joint cooled, the last block cured, the lining soaked. */
#[Calculates(
    'earliest-start',
    'When may the test begin?',
    Family::PressureTest,
    ['earliest_at', 'governing'],
    'Waiting times of the procedure; cure times from memory: AWWA C600',
)]
final class EarliestStart
{
    /**
     * @param  list<WaitingJoint>|null  $joints
     * @param  list<CuringConcrete>|null  $concrete
     * @return array{earliest_at: string, governing: string}
     */
    public function __invoke(
        #[Items('joints', WaitingJoint::class)] ?array $joints = null,
        #[Items('concrete', CuringConcrete::class)] ?array $concrete = null,
        #[Instant('filled_at')] ?\DateTimeImmutable $filledAt = null,
        #[Measure('soak_h', Quantity::Time, min: 0)] ?float $soak = null,
    ): array {
        $free = [];
        foreach ($joints ?? [] as $joint) {
            $free[$joint->id] = Calendar::later($joint->finishedAt, $joint->cooling * $joint->factor, 'factor');
        }
        foreach ($concrete ?? [] as $block) {
            $free[$block->id] = Calendar::later($block->castAt, $block->cure, 'cure');
        }
        if ($filledAt !== null) {
            if ($soak === null) {
                throw Refused::field('soak', 'soak is missing: give how long the lining soaks (0 if not at all).');
            }
            $free['soak'] = Calendar::later($filledAt, $soak, 'soak');
        }
        if ($free === []) {
            throw Refused::field('joints', 'joints, concrete or filled_at: at least one is wanted.');
        }
        $governing = (string) array_key_first($free);
        foreach ($free as $id => $moment) {
            if ($moment > $free[$governing]) {
                $governing = (string) $id;
            }
        }

        return ['earliest_at' => Calendar::utc($free[$governing]), 'governing' => $governing];
    }
}
