<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Reason;
use Diastoma\Core\Procedure\Step;

/** A kind whose step is recorded whole, in one fact; what comes later takes its place with a reason. */
trait OneFact
{
    public function whole(array $facts): array
    {
        return [$facts[\count($facts) - 1]];
    }

    public function refusesMore(array $standing, array $value): string
    {
        return 'was recorded already; correct it with a reason instead';
    }

    public function comesInParts(): bool
    {
        return false;
    }

    public function isFinished(Step $step, Fact $fact, Known $known): bool
    {
        return true;
    }

    public function mayBeRepeated(Step $step, Known $known): bool
    {
        return false;
    }

    public function entry(Known $known): ?array
    {
        return null;
    }

    /** @return list<Reason> */
    public function says(Step $step, Fact $fact, Known $known): array
    {
        return [];
    }
}
