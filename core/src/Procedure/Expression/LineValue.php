<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Expression;

use Diastoma\Core\Procedure\Known;

/**
 * What the plan says of the line at this place: `$line.x`. In a step that is done on one pipe end it is that pipe's own
 * value; elsewhere it is not known where the two pipes differ in it.
 */
final readonly class LineValue implements Expression
{
    /**
     * @param  list<string>  $path
     * @param  string|null  $side  of the step that asks
     */
    public function __construct(private array $path, private string $words, private ?string $side = null)
    {
    }

    public function of(Known $known): mixed
    {
        return $this->own($known) ?? Walk::down($known->line, $this->path);
    }

    private function own(Known $known): mixed
    {
        return $this->side === null ? null : Walk::down($known->line, ['ends', $this->side, ...$this->path]);
    }

    public function missing(Known $known): array
    {
        if ($this->of($known) !== null) {
            return [];
        }
        [$a, $b] = array_map(fn (string $side) => Walk::down($known->line, ['ends', $side, ...$this->path]), ['a', 'b']);

        return [\is_scalar($a) && \is_scalar($b) ? "one {$this->words} for both ends ({$a} and {$b})" : $this->words];
    }

    public function isRuledOut(Known $known): bool
    {
        return false;
    }
}
