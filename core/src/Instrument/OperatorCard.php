<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Day;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Si;
use Diastoma\Core\Verdict;

/**
 * May the holder of this card make this joint? In date at the moment of use, for this kind of work, size and material.
 * What the card or the joint does not say is open, never taken as allowed.
 */
#[Calculates(
    'operator-card',
    'May the holder of this card make this joint?',
    Family::Measuring,
    ['fails', 'open_items', 'days_left', 'verdict'],
    'Common practice; operator cards by ISO 12176-3 (number sure). The last day itself still counts',
    verdicts: ['good', 'bad', 'open'],
    codes: ['fails' => ['expiry', 'work', 'size', 'material'], 'open_items' => ['expiry', 'work', 'size', 'material']],
)]
final class OperatorCard
{
    /** @return array{fails: list<string>, open_items: list<string>, days_left: mixed, verdict: string} days as a whole number, or null */
    public function __invoke(
        #[Text('used_at', about: 'moment with offset, or the day in site time')] string $usedAt,
        #[Day('valid_until')] ?\DateTimeImmutable $validUntil = null,
        #[Text('work', about: 'kind of work of this joint, such as electrofusion')] ?string $work = null,
        #[Text('works', about: 'kinds of work on the card, with commas between')] ?string $works = null,
        #[Measure('dn_mm', Quantity::Length, above: 0)] ?float $dn = null,
        #[Measure('dn_min_mm', Quantity::Length, min: 0)] ?float $dnMin = null,
        #[Measure('dn_max_mm', Quantity::Length, above: 0)] ?float $dnMax = null,
        #[Text('material')] ?string $material = null,
        #[Text('materials', about: 'materials on the card, with commas between')] ?string $materials = null,
        #[Text('time_zone')] string $timeZone = 'UTC',
    ): array {
        $fails = [];
        $open = [];
        $left = (new CalibrationStatus)(usedAt: $usedAt, dueOn: $validUntil, timeZone: $timeZone)['days_left'];
        if ($left === null) {
            $open[] = 'expiry';
        } elseif ($left < 0) {
            $fails[] = 'expiry';
        }
        foreach ([['work', $work, $works], ['material', $material, $materials]] as [$what, $wanted, $listed]) {
            if ($wanted === null || $listed === null) {
                $open[] = $what;
            } elseif (
                ! \in_array(
                    mb_strtolower(trim($wanted)),
                    array_map(fn (string $one) => mb_strtolower(trim($one)), explode(',', $listed)),
                    true,
                )
            ) {
                $fails[] = $what;
            }
        }
        if ($dn === null) {
            $open[] = 'size';
        } else {
            if (($dnMin !== null && Si::mm($dn) < Si::mm($dnMin) - 1e-6) || ($dnMax !== null && Si::mm($dn) > Si::mm($dnMax) + 1e-6)) {
                $fails[] = 'size';
            } elseif ($dnMax === null) {
                // Cards often state the largest size alone; without it nothing says how far they reach.
                $open[] = 'size';
            }
        }

        return [
            'fails' => $fails, 'open_items' => $open, 'days_left' => $left,
            'verdict' => ($fails !== [] ? Verdict::Bad : ($open !== [] ? Verdict::Open : Verdict::Good))->value,
        ];
    }
}
