<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Compare;
use Diastoma\Core\Refused;

/** How much of a mark is seen outside the face, m: read, or found hidden, or neither. */
final readonly class MarkReading
{
    public function __construct(string $name, public ?float $visible, public bool $hidden)
    {
        if ($visible !== null && $hidden) {
            throw Refused::field(
                "{$name}_hidden",
                "{$name}_hidden is true and {$name}_visible_m is {$visible} m: a mark that cannot be seen has no reading.",
            );
        }
    }

    public function isKnown(): bool
    {
        return $this->visible !== null || $this->hidden;
    }

    /** @return list<string> the word when more of the mark is seen than allowed */
    public function outBeyond(float $most, string $word): array
    {
        return $this->visible !== null && ! Compare::atMost($this->visible, $most) ? [$word] : [];
    }

    /** @return list<string> the word when less of the mark is seen than allowed */
    public function inBeyond(float $least, string $word): array
    {
        return $this->hidden || $this->visible !== null && ! Compare::atLeast($this->visible, $least) ? [$word] : [];
    }
}
