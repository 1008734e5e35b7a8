<?php

declare(strict_types=1);

namespace Diastoma\Core\Order;

use Diastoma\Core\Refused;

/** Which step must come before which. */
final readonly class OrderPairs
{
    /** @param  non-empty-list<array{string, string}>  $pairs  first, then */
    private function __construct(public array $pairs)
    {
    }

    /** @throws Refused where it is no list of pairs, or they run in a circle */
    public static function read(mixed $before): self
    {
        if (! \is_array($before) || ! array_is_list($before) || $before === []) {
            throw Refused::field('before', 'before must be a list of pairs [first, then].');
        }
        $pairs = [];
        foreach ($before as $pair) {
            if (! \is_array($pair) || ! array_is_list($pair) || \count($pair) !== 2 || ! \is_string($pair[0]) || ! \is_string($pair[1])) {
                throw Refused::field('before', 'before must hold pairs [first, then] of step names only.');
            }
            $pairs[] = [$pair[0], $pair[1]];
        }
        $read = new self($pairs);
        $read->mustEnd();

        return $read;
    }

    /** @return list<string> each step once, in the order of the pairs */
    public function steps(): array
    {
        return array_keys($this->firsts());
    }

    /**
     * @param  list<string>  $done
     * @return list<string> not done yet, and all that must come first is
     */
    public function next(array $done): array
    {
        $isDone = array_fill_keys($done, true);
        $open = array_diff_key($this->firsts(), $isDone);

        return array_keys(array_filter($open, fn (array $firsts) => array_diff_key($firsts, $isDone) === []));
    }

    /** @return array<string, array<string, true>> step => what must come before it */
    private function firsts(): array
    {
        $firsts = [];
        foreach ($this->pairs as [$first, $then]) {
            $firsts[$first] ??= [];
            $firsts[$then][$first] = true;
        }

        return $firsts;
    }

    private function mustEnd(): void
    {
        $left = $this->firsts();
        do {
            $free = array_filter($left, fn (array $firsts) => array_intersect_key($firsts, $left) === []);
            $left = array_diff_key($left, $free);
        } while ($free !== [] && $left !== []);
        if ($left !== []) {
            throw Refused::field('before', 'before runs in a circle: '.implode(', ', array_keys($left)).' wait for each other.');
        }
    }
}
