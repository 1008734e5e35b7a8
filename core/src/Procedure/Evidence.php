<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/**
 * What a file of a device says of itself, held against the work that it is to prove: said before it is stored. None of it is
 * refused: a device's clock may be wrong, and a log may have been started in the evening before.
 */
final readonly class Evidence
{
    /** So long before anything was recorded a logger may have been started, s (common practice: the evening before). */
    private const BEFORE_S = 16 * 3600;

    /** So far two clocks may differ, s. */
    private const CLOCKS_S = 300;

    /** So much longer or shorter than wanted a fusion may be before it is another one. */
    private const LENGTH_SHARE = 0.05;

    private const LENGTH_S = 3.0;

    /**
     * @param  \DateTimeImmutable|null  $first  of its readings, in the zone of the place; null where the file has no dates
     * @param  float  $lasts  s
     */
    public function __construct(private ?\DateTimeImmutable $first, private ?\DateTimeImmutable $last, private float $lasts)
    {
    }

    /**
     * @param  \DateTimeImmutable|null  $begun  when anything was first recorded of this work
     * @param  array{name: string, at: \DateTimeImmutable}|null  $after  the latest work that must be done before it
     * @param  float|null  $wanted  s that it should last; null where nothing says so
     * @param  list<string>  $usedAt  where the same readings are recorded already
     * @return list<string> what speaks against it
     */
    public function doubts(\DateTimeImmutable $now, ?\DateTimeImmutable $begun, ?array $after, ?float $wanted, array $usedAt): array
    {
        return array_values(array_filter([
            $this->future($now),
            $this->tooOld($begun),
            $this->beforeOthers($after),
            $this->length($wanted),
            $usedAt === [] ? null : 'The same readings are recorded already at '.implode(', ', $usedAt).'.',
        ]));
    }

    private function future(\DateTimeImmutable $now): ?string
    {
        return $this->last === null || $this->last->getTimestamp() <= $now->getTimestamp() + self::CLOCKS_S
            ? null
            : 'It ends on '.$this->said($this->last).', and now it is '.$this->said($now).'.';
    }

    private function tooOld(?\DateTimeImmutable $begun): ?string
    {
        return $this->last === null || $begun === null || $this->last->getTimestamp() >= $begun->getTimestamp() - self::BEFORE_S
            ? null
            : 'It ends on '.$this->said($this->last).', and this work was begun on '.$this->said($begun).'.';
    }

    /** @param  array{name: string, at: \DateTimeImmutable}|null  $after */
    private function beforeOthers(?array $after): ?string
    {
        return $this->first === null || $after === null || $this->first->getTimestamp() >= $after['at']->getTimestamp() - self::CLOCKS_S
            ? null
            : 'It begins on '.$this->said($this->first).", and {$after['name']} was made on ".$this->said($after['at']).'.';
    }

    private function length(?float $wanted): ?string
    {
        if ($wanted === null || abs($this->lasts - $wanted) <= max(self::LENGTH_S, self::LENGTH_SHARE * $wanted)) {
            return null;
        }

        return 'It lasts '.round($this->lasts).' s, and '.round($wanted).' s are wanted here.';
    }

    private function said(\DateTimeImmutable $at): string
    {
        return $at->setTimezone($this->first?->getTimezone() ?: $at->getTimezone())->format('j M Y, H:i');
    }
}
