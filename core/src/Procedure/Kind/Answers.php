<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Fact;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Procedure\Step;

/** Kinds whose fact is what was answered to the fields of the step. */
abstract readonly class Answers implements Kind
{
    final public function __construct()
    {
    }

    public static function read(array $step, Reader $reader): Kind
    {
        return new static;
    }

    public static function keys(): array
    {
        return ['photos', 'remark'];
    }

    public function normalise(Step $step, array $value): array
    {
        return Fields::normalise($step->fields, Fields::photos($value), self::keys());
    }

    public function whole(array $facts): array
    {
        return [$facts[count($facts) - 1]];
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

    public function says(Step $step, Fact $fact, Known $known): array
    {
        return [];
    }
}
