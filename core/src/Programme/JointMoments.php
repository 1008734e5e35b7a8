<?php

declare(strict_types=1);

namespace Diastoma\Core\Programme;

use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Kind\Trace;
use Diastoma\Core\Procedure\Procedure;
use Diastoma\Core\Procedure\Stage;
use Diastoma\Core\Procedure\Step;

/**
 * When the acts of a joint were, as far as what was recorded tells: by the stage of the steps, and where a device recorded, by its
 * own times. A correction that came later is paper and moves none of them.
 */
final readonly class JointMoments
{
    /**
     * @param  \DateTimeImmutable|null  $firstAt  first entry of all
     * @param  \DateTimeImmutable|null  $readyAt  last entry before it was fitted
     * @param  \DateTimeImmutable|null  $fittedFrom  first entry of the fitting
     * @param  \DateTimeImmutable|null  $fusedFrom  power on; null: it is not fused, or not yet
     * @param  \DateTimeImmutable|null  $joinedAt  power off; of a joint that is not fused, the last entry of the fitting
     * @param  \DateTimeImmutable|null  $freeAt  first entry after that it was let go: the clamps are off
     */
    private function __construct(
        public ?\DateTimeImmutable $firstAt,
        public ?\DateTimeImmutable $readyAt,
        public ?\DateTimeImmutable $fittedFrom,
        public ?\DateTimeImmutable $fusedFrom,
        public ?\DateTimeImmutable $joinedAt,
        public ?\DateTimeImmutable $freeAt,
    ) {
    }

    /** @param  list<Fact>  $facts */
    public static function of(Procedure $procedure, array $facts): self
    {
        $steps = self::byKey($procedure);
        $before = $fitted = $waited = $on = $off = [];
        foreach ($facts as $fact) {
            $step = $steps[$fact->step] ?? null;
            if ($step === null || $fact->supersedes !== null) {
                continue;
            }
            match ($step->stage) {
                Stage::Look, Stage::Prepare => $before[] = $fact->at,
                Stage::Join => $fitted[] = $fact->at,
                Stage::Wait => $waited[] = $fact->at,
                default => null,
            };
            if ($step->stage === Stage::Fuse && $step->kind instanceof Trace) {
                $on[] = self::moment($fact, 'started_at', 'first_at');
                $off[] = self::moment($fact, 'ended_at', 'last_at');
            }
        }
        $isFused = self::isFused($procedure);
        $fusedFrom = self::first($on);
        $begun = $isFused ? $fusedFrom : self::first($fitted);
        $joined = self::last($isFused ? $off : $fitted);
        // What was looked at or written down late is no work before.
        $early = array_filter($before, fn (\DateTimeImmutable $at): bool => $begun === null || $at <= $begun);

        return new self(
            self::first([...$before, ...$fitted]),
            self::last($early),
            self::first($fitted),
            $fusedFrom,
            $joined,
            self::first(array_filter($waited, fn (\DateTimeImmutable $at): bool => $joined !== null && $at >= $joined)),
        );
    }

    public static function isFused(Procedure $procedure): bool
    {
        foreach ($procedure->steps as $step) {
            if ($step->stage === Stage::Fuse && $step->kind instanceof Trace) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, Step> */
    private static function byKey(Procedure $procedure): array
    {
        $steps = [];
        foreach ($procedure->steps as $step) {
            $steps[$step->key] = $step;
        }

        return $steps;
    }

    private static function moment(Fact $fact, string $key, string $orKey): \DateTimeImmutable
    {
        $said = $fact->value[$key] ?? $fact->value[$orKey] ?? null;

        return \is_string($said) ? Instant::parse($said, $key, $key) : $fact->at;
    }

    /** @param  array<\DateTimeImmutable>  $moments */
    private static function first(array $moments): ?\DateTimeImmutable
    {
        return $moments === [] ? null : min($moments);
    }

    /** @param  array<\DateTimeImmutable>  $moments */
    private static function last(array $moments): ?\DateTimeImmutable
    {
        return $moments === [] ? null : max($moments);
    }
}
