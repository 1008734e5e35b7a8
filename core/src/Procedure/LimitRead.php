<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Procedure\Expression\Expression;

/** A limit that comes with the thing itself: off the fitting's sheet, the scriber, the plate of a pump. */
final readonly class LimitRead implements Cites
{
    /** Neither a standard nor a rule of anybody here: somebody read it. */
    public const CERTAINTY = 'read';

    /** @param  string  $name  its end tells the unit */
    public function __construct(private string $name, private Expression $value, private string $label, private string $source)
    {
    }

    public function cite(Known $known): ?Parameter
    {
        $value = $this->value->of($known);

        return $value === null ? null : new Parameter($this->name, $value, $this->label, $this->source, self::CERTAINTY);
    }
}
