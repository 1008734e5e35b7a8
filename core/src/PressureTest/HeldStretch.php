<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/** For how long a pressure was held, minutes of the log. */
final readonly class HeldStretch
{
    /** @param  bool  $goesOn  it is the one that goes on, and not an earlier one */
    private function __construct(public float $from, public float $to, public bool $goesOn = true)
    {
    }

    public function minutes(): float
    {
        return $this->to - $this->from;
    }

    /**
     * While it stayed in its band: the stretch that goes on, or the longest where it is over. What was held to its end stays held
     * when it is let down.
     *
     * @param  list<list<float>>  $samples  [min, kPa, …]
     * @param  float  $gap  min: what happened in a longer one nobody knows, and it does not count
     * @param  float  $wanted  min
     */
    public static function kept(array $samples, PressureBand $band, float $gap, float $wanted): ?self
    {
        $longest = $at = null;
        $isRaised = false;
        foreach ($samples as $row) {
            $isRaised = $isRaised || $band->isRaised($row[1]);
            if (! $isRaised || ! $band->holds($row[1])) {
                $at = null;

                continue;
            }
            $at = self::after($at, $row[0], $gap);
            $longest = $longest === null || $at->minutes() > $longest->minutes() ? $at : $longest;
        }

        return self::counting($at, $longest, $wanted);
    }

    /**
     * Since the last water that was pumped in, as long as it stayed over the least. What comes after it fell under is no hold.
     *
     * @param  list<list<float>>  $samples  [min, kPa, litres pumped in?, …]
     * @param  float  $gap  min
     * @param  float  $wanted  min
     * @param  float  $rise  kPa in one reading from which somebody pumped
     * @param  float  $litres  from which somebody pumped
     */
    public static function shut(array $samples, PressureBand $band, float $gap, float $wanted, float $rise, float $litres): ?self
    {
        $longest = $at = null;
        foreach ($samples as $i => $row) {
            $before = $samples[$i - 1] ?? $row;
            $isPumped = isset($row[2], $before[2]) ? abs($row[2] - $before[2]) > $litres : $rise < $row[1] - $before[1];
            // Pumped up again, it begins where it is raised again.
            if ($band->isUnder($row[1]) || ($at === null && ! $band->isRaised($row[1]))) {
                $at = null;

                continue;
            }
            $at = self::after($isPumped ? null : $at, $row[0], $gap);
            $longest = $longest === null || $at->minutes() > $longest->minutes() ? $at : $longest;
        }

        return self::counting($at, $longest, $wanted);
    }

    private static function after(?self $before, float $at, float $gap): self
    {
        return $before === null || $at - $before->to > $gap + 1e-9 ? new self($at, $at) : new self($before->from, $at);
    }

    /** What was held to its end stays held, whatever comes after; else what goes on, else the longest that there was. */
    private static function counting(?self $going, ?self $longest, float $wanted): ?self
    {
        if ($longest === null || ($going !== null && $longest->minutes() < $wanted)) {
            return $going;
        }

        return new self($longest->from, $longest->to, $longest === $going);
    }
}
