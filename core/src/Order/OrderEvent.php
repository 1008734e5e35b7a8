<?php

declare(strict_types=1);

namespace Diastoma\Core\Order;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Calculation\Field\Text;

/** A step and when it was done. */
final readonly class OrderEvent
{
    public function __construct(
        #[Text('step')] public string $step,
        #[Instant('time')] public \DateTimeImmutable $time,
        #[Number('seq', whole: true, about: 'tells the order of two at one instant')] public ?float $seq = null,
    ) {
    }

    /** Null at one instant, where nothing tells the order. */
    public function isBefore(self $other): ?bool
    {
        if ($this->time != $other->time) {
            return $this->time < $other->time;
        }

        return $this->seq === null || $other->seq === null || $this->seq === $other->seq ? null : $this->seq < $other->seq;
    }
}
