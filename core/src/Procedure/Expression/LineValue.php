<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/** What the plan says of the line at this place: `$line.x`. */
final readonly class LineValue implements Expression
{
    /** @param  list<string>  $path */
    public function __construct(private array $path, private string $words)
    {
    }

    public function of(Known $known): mixed
    {
        return Walk::down($known->line, $this->path);
    }

    public function missing(Known $known): array
    {
        return $this->of($known) === null ? [$this->words] : [];
    }

    public function isRuledOut(Known $known): bool
    {
        return false;
    }
}
