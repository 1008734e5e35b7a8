<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** The facts of one subject: which one counts at each step, put together where they came in parts. */
final class Facts
{
    /** @var array<string, Fact> step key => the fact that counts */
    private array $current = [];

    /** @var array<string, \DateTimeImmutable> step key => first time anything was recorded there */
    private array $first = [];

    /** @var array<string, non-empty-list<Fact>> step key => each time it was done */
    private array $attempts = [];

    /** @param  list<Fact>  $all  in the order in which they were stored */
    public function __construct(private array $all, Procedure $procedure)
    {
        $superseded = array_fill_keys(array_filter(array_map(fn (Fact $f) => $f->supersedes, $all), is_string(...)), true);
        $standing = [];
        foreach ($all as $fact) {
            if (! isset($this->first[$fact->step]) || $fact->at < $this->first[$fact->step]) {
                $this->first[$fact->step] = $fact->at;
            }
            if (! isset($superseded[$fact->id])) {
                $standing[$fact->step][] = $fact;
            }
        }
        foreach ($standing as $key => $ofStep) {
            $this->attempts[$key] = $procedure->step($key)?->kind->whole($ofStep) ?? [$ofStep[\count($ofStep) - 1]];
            $this->current[$key] = $this->attempts[$key][\count($this->attempts[$key]) - 1];
        }
    }

    public function at(string $step): ?Fact
    {
        return $this->current[$step] ?? null;
    }

    /** @return array<string, array<string, mixed>> step key => the value that counts */
    public function values(): array
    {
        return array_map(fn (Fact $fact) => $fact->value, $this->current);
    }

    public function firstAt(string $step): ?\DateTimeImmutable
    {
        return $this->first[$step] ?? null;
    }

    /** @return list<Fact> what had been recorded at other steps by a moment */
    public function before(string $step, \DateTimeImmutable $moment): array
    {
        return array_values(array_filter($this->all, fn (Fact $f) => $f->step !== $step && $f->at <= $moment));
    }

    /** @return list<Fact> each time a step was done, the one that counts last */
    public function attempts(string $step): array
    {
        return $this->attempts[$step] ?? [];
    }

    /** Lets another time that a step was done stand for it, to be judged by itself. */
    public function show(string $step, Fact $attempt): void
    {
        $this->current[$step] = $attempt;
    }
}
