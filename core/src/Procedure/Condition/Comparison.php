<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Condition;

use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * What is known of one value against another. Unknown while either is; of what is certainly not asked for, nothing holds.
 */
abstract readonly class Comparison implements Condition
{
    public function __construct(private Expression $of, private Expression $with)
    {
    }

    public function holds(Known $known): ?bool
    {
        $found = $this->of->of($known);
        if ($found === null) {
            return $this->of->isRuledOut($known) ? false : null;
        }
        $with = $this->with->of($known);

        return $with === null ? null : $this->compare($found, $with);
    }

    public function missing(Known $known): array
    {
        return $this->holds($known) === null ? [...$this->of->missing($known), ...$this->with->missing($known)] : [];
    }

    /** Null where the two cannot be compared. */
    abstract protected function compare(mixed $found, mixed $with): ?bool;

    protected static function same(mixed $one, mixed $other): bool
    {
        return is_numeric($one) && is_numeric($other) && self::isNumber($one) && self::isNumber($other)
            ? (float) $one === (float) $other
            : $one === $other;
    }

    protected static function isNumber(mixed $value): bool
    {
        return \is_int($value) || \is_float($value);
    }
}
