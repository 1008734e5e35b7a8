<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Kind;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Step;
use Diastoma\Core\Procedure\Words;

/** Kinds whose fact is what was answered to the fields of the step. */
abstract readonly class Answers implements Kind
{
    use OneFact;

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

    public function words(Step $step, array $value, Words $words): array
    {
        return $words->fields($step->fields, $value);
    }
}
