<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Refused;

/** When hands work at a place: from and to on its clock, with a break, on some days of the week. */
final readonly class Shift
{
    /** Beyond the days that are looked at nothing is planned: a spell that no act reaches over, s. */
    private const BEYOND_S = 1e9;

    private const LOOKS_DAYS = 15;

    /**
     * @param  int  $from  minute of the day
     * @param  int  $to  minute of the day
     * @param  array{int, int}|null  $break  minutes of the day, inside the shift
     * @param  non-empty-list<int>  $days  of the week, 1 Monday to 7 Sunday
     */
    public function __construct(private int $from, private int $to, private ?array $break, private array $days, private \DateTimeZone $zone)
    {
        if ($to <= $from) {
            throw Refused::field('shift_to', 'shift_to must be later than shift_from, on the same day.');
        }
        if ($break !== null && ($break[0] < $from || $break[1] > $to || $break[1] <= $break[0])) {
            throw Refused::field('pause_to', 'A pause begins before it ends, inside the shift.');
        }
    }

    /**
     * When nobody works, from now on.
     *
     * @param  int  $days  how far, with today
     * @param  float  $stopped  so long from now on rain or the like stops all hands, s
     * @return list<array{float, float}> s from now, rising, apart
     */
    public function pauses(\DateTimeImmutable $now, int $days, float $stopped = 0.0): array
    {
        $pauses = [];
        $until = 0.0;
        foreach ($this->spells($now, $days) as [$from, $to]) {
            $begins = max($stopped, (float) ($from->getTimestamp() - $now->getTimestamp()));
            $ends = (float) ($to->getTimestamp() - $now->getTimestamp());
            if ($ends <= max($until, $stopped)) {
                continue;
            }
            if ($begins > $until) {
                $pauses[] = [$until, $begins];
            }
            $until = $ends;
        }

        return [...$pauses, [$until, $until + self::BEYOND_S]];
    }

    /** The first moment from then on at which somebody works; null: not within some weeks. */
    public function workFrom(\DateTimeImmutable $at): ?\DateTimeImmutable
    {
        foreach ($this->spells($at, self::LOOKS_DAYS) as [$from, $to]) {
            if ($at < $to) {
                return max($at, $from);
            }
        }

        return null;
    }

    /**
     * The first moment from then on from which work goes on for so long on that day; hands take turns in a pause. Null: no day of
     * work is so long.
     *
     * @param  float  $for  s
     */
    public function roomFor(\DateTimeImmutable $at, float $for): ?\DateTimeImmutable
    {
        $day = $at->setTimezone($this->zone)->setTime(12, 0);
        for ($i = 0; $i < self::LOOKS_DAYS; $i++, $day = $day->modify('+1 day')) {
            $from = max($at, $this->at($day, $this->from));
            if ($this->isWorked($day) && $this->at($day, $this->to)->getTimestamp() - $from->getTimestamp() >= $for) {
                return $from;
            }
        }

        return null;
    }

    /** When the work of that day is over; null: it is no day of work. */
    public function endOf(\DateTimeImmutable $day): ?\DateTimeImmutable
    {
        $local = $day->setTimezone($this->zone);

        return $this->isWorked($local) ? $this->at($local, $this->to) : null;
    }

    /**
     * Spells in which hands work, in order.
     *
     * @return list<array{\DateTimeImmutable, \DateTimeImmutable}>
     */
    private function spells(\DateTimeImmutable $now, int $days): array
    {
        $spells = [];
        $day = $now->setTimezone($this->zone)->setTime(12, 0);
        for ($i = 0; $i < $days; $i++, $day = $day->modify('+1 day')) {
            if (! $this->isWorked($day)) {
                continue;
            }
            if ($this->break === null) {
                $spells[] = [$this->at($day, $this->from), $this->at($day, $this->to)];
            } else {
                $spells[] = [$this->at($day, $this->from), $this->at($day, $this->break[0])];
                $spells[] = [$this->at($day, $this->break[1]), $this->at($day, $this->to)];
            }
        }

        return $spells;
    }

    private function isWorked(\DateTimeImmutable $day): bool
    {
        return \in_array((int) $day->format('N'), $this->days, true);
    }

    private function at(\DateTimeImmutable $day, int $minute): \DateTimeImmutable
    {
        return $day->setTime(intdiv($minute, 60), $minute % 60);
    }
}
