<?php

declare(strict_types=1);

namespace Diastoma\Core;

/**
 * The four words of a judgement. `close` is inside the limit by less than the measurement's own
 * uncertainty; `open` means that a wanted fact is missing. Missing facts never make `good`.
 */
enum Verdict: string
{
    case Good = 'good';
    case Close = 'close';
    case Bad = 'bad';
    case Open = 'open';

    /** The worst of several rules, in the order bad, open, close, good. None at all is open. */
    public static function worst(self ...$verdicts): self
    {
        $worst = null;
        foreach ($verdicts as $verdict) {
            if ($worst === null || $verdict->urgency() < $worst->urgency()) {
                $worst = $verdict;
            }
        }

        return $worst ?? self::Open;
    }

    /** Of what was judged as it is or not at all: null where there was no limit to judge by. */
    public static function ofPass(?bool $pass): self
    {
        return match ($pass) {
            true => self::Good,
            false => self::Bad,
            null => self::Open,
        };
    }

    /** 0 for the word that must be said first; the order of `worst`. */
    public function urgency(): int
    {
        return match ($this) {
            self::Bad => 0, self::Open => 1, self::Close => 2, self::Good => 3,
        };
    }
}
