<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;
use Diastoma\Core\Calendar;
use Diastoma\Core\Compare;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Quantity;

/** A torque wrench: what its certificate says, and until when. */
final readonly class Wrench
{
    private const DAY = '/^\d{4}-\d\d-\d\d$/D';

    public function __construct(
        #[Number('class_tol_frac', min: 0, max: 1)] public float $tolerance,
        #[Measure('range_min_nm', Quantity::Torque, min: 0)] public float $least,
        #[Measure('range_max_nm', Quantity::Torque, min: 0)] public float $most,
        #[Text('due_at', about: 'a day, which itself still counts, or a moment with its offset')] public string $dueAt,
        #[Text('calibrated_at')] public ?string $calibratedAt = null,
        #[Text('serial')] public ?string $serial = null,
        #[Number('cycles', min: 0, whole: true)] public ?float $cycles = null,
        #[Number('cycles_max', min: 0, whole: true)] public ?float $cyclesMost = null,
        #[Choice('kind', ['click', 'reading'])] public string $kind = 'reading',
    ) {
        if ($most < $least) {
            throw Refused::field('range_max_nm', "range_max_nm is {$most} N·m, less than range_min_nm, {$least} N·m.");
        }
        if (preg_match(self::DAY, $dueAt) !== 1) {
            Instant::parse($dueAt, 'due_at', 'due_at');
        }
    }

    /** A date without a time is valid to the end of that day, where the reading was taken. */
    public function isOutOfDate(\DateTimeImmutable $reading): bool
    {
        return preg_match(self::DAY, $this->dueAt) === 1
            ? $reading->format('Y-m-d') > $this->dueAt
            : $reading > Calendar::read($this->dueAt);
    }

    public function hasRange(float $torque): bool
    {
        return Compare::atLeast($torque, $this->least) && Compare::atMost($torque, $this->most);
    }
}
