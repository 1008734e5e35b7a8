<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Tells;

use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

/**
 * What a procedure tells the rest of the product of a joint that is made by it, so that nobody else must know its steps:
 * clocks, when the crew moves on, which pipes it joins, what stands in the register and on the tag, what replaces it.
 */
final readonly class Tells
{
    /**
     * @param  array<string, Clock>  $clocks  by name
     * @param  Condition|null  $leavesFace  the crew moves on to the next joint; null: as soon as a clock runs
     * @param  array<'a'|'b', Expression>  $pipes  numbers of the pipes that it joins
     * @param  array<string, Column>  $register  by name
     * @param  TagLine|null  $tagHead  what the tag says largest
     * @param  list<TagLine>  $tag
     * @param  string  $letter  before the number of such a joint that no plan of pipe lengths knows
     * @param  Expression|null  $covers  of a stretch: the time from which its joints are covered
     * @param  Expression|null  $uncovers  of a stretch: the time from which its joints lie bare again
     * @param  Receives|null  $receives  pipes that came with it
     * @param  Turns|null  $turns  how far such a joint may turn
     * @param  Takes|null  $takes  how long it takes
     */
    public function __construct(
        public array $clocks,
        private ?Condition $leavesFace,
        private array $pipes,
        public array $register,
        private ?TagLine $tagHead,
        private array $tag,
        public CutOut $cutOut,
        public ?Attached $attached,
        public string $letter,
        private ?Expression $covers = null,
        private ?Expression $uncovers = null,
        private ?Receives $receives = null,
        private ?Turns $turns = null,
        private ?Takes $takes = null,
    ) {
    }

    public function told(Known $known): Told
    {
        $clocks = array_filter(array_map(fn (Clock $clock) => $clock->at->of($known), $this->clocks), is_string(...));
        $said = fn (?TagLine $line) => ['label' => $line->label ?? '', 'text' => $line?->told($known)];

        return new Told(
            clocks: array_map(fn (string $name) => $this->clocks[$name]->toArray($clocks[$name]), array_keys($clocks)),
            leftFace: $this->leavesFace === null ? $clocks !== [] : $this->leavesFace->holds($known) === true,
            pipes: array_map(self::number(...), array_map(fn (Expression $pipe) => $pipe->of($known), $this->pipes)),
            register: array_map(fn (Column $column) => $column->value->of($known), $this->register),
            tagHead: $said($this->tagHead),
            tag: array_map($said, $this->tag),
            coveredAt: self::number($this->covers?->of($known)),
            openedAt: self::number($this->uncovers?->of($known)),
            received: $this->receives?->told($known),
            turns: $this->turns?->told($known),
            takes: $this->takes?->told($known),
        );
    }

    /** Does it cover joints, once it is done? */
    public function covers(): bool
    {
        return $this->covers !== null;
    }

    /** Does it lay joints bare again? */
    public function uncovers(): bool
    {
        return $this->uncovers !== null;
    }

    private static function number(mixed $pipe): ?string
    {
        return \is_string($pipe) && $pipe !== '' ? $pipe : null;
    }
}
