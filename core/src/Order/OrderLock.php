<?php

declare(strict_types=1);

namespace Diastoma\Core\Order;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Anything;
use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Items;
use Diastoma\Core\Findings;
use Diastoma\Core\Verdict;

/**
 * Whether steps that must not be swapped were done in order, what may be done next, and which parts stand under pressure now. A step
 * that was repeated counts by its first time; two at one instant prove no order unless they are numbered.
 */
#[Calculates(
    'order-lock',
    'Were steps that must not be swapped done in order?',
    Family::Mechanical,
    ['next', 'under_pressure', 'reasons', 'notes', 'verdict'],
    'Order of the procedure; common practice of a kit',
    verdicts: ['good', 'bad', 'open'],
    codes: ['reasons' => ['order:*', 'order-unproved:*', 'step-missing:*']],
)]
final class OrderLock
{
    /**
     * @param  list<OrderEvent>  $events
     * @return array<string, mixed>
     */
    public function __invoke(
        #[Anything('before', about: 'pairs [first, then]', edit: 'order')] mixed $before,
        #[Items('events', OrderEvent::class, atLeast: 0)] array $events,
        #[Flag('complete')] bool $complete = false,
        #[Anything('pressure_after', about: 'the parts under pressure once a step is done', edit: 'parts')] mixed $pressureAfter = null,
    ): array {
        $pairs = OrderPairs::read($before);
        $first = $this->firstTimes($events);
        $found = new Findings;
        foreach ($pairs->pairs as [$one, $then]) {
            $this->judge($found, $one, $then, $first);
        }
        if ($complete) {
            foreach ($pairs->steps() as $step) {
                isset($first[$step]) || $found->open("step-missing:{$step}");
            }
        }
        $said = $found->toArray();
        $isBad = $said['verdict'] === Verdict::Bad->value;

        return [
            'next' => $isBad ? [] : $pairs->next(array_keys($first)),
            'under_pressure' => $isBad ? null : $this->underPressure($first, PressureAfter::read($pressureAfter)),
        ] + $said;
    }

    /**
     * @param  list<OrderEvent>  $events
     * @return array<string, OrderEvent> step => its first event
     */
    private function firstTimes(array $events): array
    {
        $first = [];
        foreach ($events as $event) {
            $known = $first[$event->step] ?? null;
            if ($known === null || $event->isBefore($known) === true) {
                $first[$event->step] = $event;
            }
        }

        return $first;
    }

    /** @param  array<string, OrderEvent>  $first */
    private function judge(Findings $found, string $one, string $then, array $first): void
    {
        if (! isset($first[$then])) {
            return;
        }
        $before = isset($first[$one]) ? $first[$one]->isBefore($first[$then]) : false;
        if ($before === null) {
            $found->open("order-unproved:{$one}/{$then}");
        } elseif (! $before) {
            $found->bad("order:{$one}/{$then}");
        }
    }

    /**
     * @param  array<string, OrderEvent>  $first
     * @param  array<string, list<string>>  $after
     * @return list<string>|null null: not known, so everything counts as under pressure
     */
    private function underPressure(array $first, array $after): ?array
    {
        $named = array_values(array_intersect_key($first, $after));
        $latest = [];
        foreach ($named as $event) {
            $isLater = array_filter($named, fn (OrderEvent $other) => $event->isBefore($other) === true) === [];
            if ($isLater) {
                $latest[] = $after[$event->step];
            }
        }
        $sorted = array_map(function (array $parts) {
            sort($parts);

            return $parts;
        }, $latest);

        return $latest === [] || \count(array_unique($sorted, SORT_REGULAR)) > 1 ? null : $latest[0];
    }
}
