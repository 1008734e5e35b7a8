<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calendar;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Mechanical\Limits;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** When bolts on a soft gasket are gone over again, and whether it was done then, without pressure. */
#[Calculates(
    'retorque-due',
    'When are the bolts gone over again, and was it then?',
    Family::Mechanical,
    ['due_from', 'due_until', 'reasons', 'notes', 'verdict'],
    'Waiting times of the procedure; 4 h from memory',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['too-early', 'too-late', 'under-pressure', 'no-fact:*', 'no-limit:*']],
)]
final class RetorqueDue
{
    /** @return array<string, mixed> */
    public function __invoke(
        #[Instant('tightened_at')] \DateTimeImmutable $tightened,
        #[Instant('retorqued_at')] ?\DateTimeImmutable $again = null,
        #[Measure('wait_min_s', Quantity::Time, min: 0)] ?float $least = null,
        #[Measure('wait_max_s', Quantity::Time, min: 0)] ?float $most = null,
        #[Measure('pressure_pa', Quantity::Pressure, min: 0)] ?float $pressure = null,
    ): array {
        Limits::mustRise($least, $most, 'wait_max_s');
        if ($again !== null && $again < $tightened) {
            throw Refused::field('retorqued_at', 'retorqued_at is earlier than tightened_at.');
        }
        $waited = $again === null ? null : Calendar::seconds($tightened, $again);
        $found = new Findings;
        $again === null && $found->open('no-fact:retorqued_at');
        if ($least === null) {
            $found->open('no-limit:wait_min_s');
        } elseif ($waited !== null && ! Compare::atLeast($waited, $least)) {
            $found->open('too-early');
        }
        if ($most === null) {
            $found->open('no-limit:wait_max_s');
        } elseif ($waited !== null && ! Compare::atMost($waited, $most)) {
            $found->open('too-late');
        }
        if ($again !== null) {
            $pressure === null ? $found->open('no-fact:pressure_pa') : $found->atMost($pressure, 0.0, 'pressure_pa', 'under-pressure');
        }

        return [
            'due_from' => $least === null ? null : Calendar::utc(Calendar::later($tightened, $least, 'wait_min_s')),
            'due_until' => $most === null ? null : Calendar::utc(Calendar::later($tightened, $most, 'wait_max_s')),
        ] + $found->toArray();
    }
}
