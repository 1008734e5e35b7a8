<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** The facts of one subject: which one counts at each step, and traces put together from their parts. */
final class Facts
{
    /** @var array<string, Fact> step key => the fact that counts */
    private array $current = [];

    /** @var array<string, \DateTimeImmutable> step key => first time anything was recorded there */
    private array $first = [];

    /** @var array<string, list<Fact>> step key => each trace put together, in the order in which they began to come */
    private array $traces = [];

    /** @param  list<Fact>  $facts  in the order in which they were stored */
    public function __construct(array $facts, Procedure $procedure)
    {
        $superseded = array_filter(array_map(fn (Fact $f) => $f->supersedes, $facts));
        $parts = [];
        foreach ($facts as $fact) {
            if (! isset($this->first[$fact->step]) || $fact->at < $this->first[$fact->step]) {
                $this->first[$fact->step] = $fact->at;
            }
            if (in_array($fact->id, $superseded, true)) {
                continue;
            }
            if ($procedure->step($fact->step)?->kind === 'trace') {
                $parts[$fact->step][(string) $fact->value['trace']][] = $fact;
            } else {
                $this->current[$fact->step] = $fact;
            }
        }
        foreach ($parts as $step => $traces) {
            $this->traces[$step] = array_map(self::together(...), array_values($traces));
            $this->current[$step] = $this->traces[$step][count($traces) - 1];
        }
    }

    public function at(string $step): ?Fact
    {
        return $this->current[$step] ?? null;
    }

    public function firstAt(string $step): ?\DateTimeImmutable
    {
        return $this->first[$step] ?? null;
    }

    public function tracesAt(string $step): int
    {
        return count($this->traces[$step] ?? []);
    }

    /** @return list<Fact> every trace of a step, the one that counts last */
    public function attempts(string $step): array
    {
        return $this->traces[$step] ?? [];
    }

    /** Lets another trace of the step stand for it, to be judged by itself. */
    public function show(string $step, Fact $trace): void
    {
        $this->current[$step] = $trace;
    }

    /** @param  non-empty-list<Fact>  $parts */
    private static function together(array $parts): Fact
    {
        usort($parts, fn (Fact $a, Fact $b) => $a->value['part'] <=> $b->value['part']);
        $value = [];
        $samples = [];
        foreach ($parts as $part) {
            foreach ($part->value['samples'] as $row) {
                if ($samples === [] || $row[0] > $samples[count($samples) - 1][0]) {
                    $samples[] = $row;
                }
            }
            $value = [...$value, ...$part->value];
        }
        $last = $parts[count($parts) - 1];
        $numbers = array_map(fn (Fact $p) => $p->value['part'], $parts);
        $value['samples'] = $samples;
        $value['final'] = (bool) ($last->value['final'] ?? false) && $numbers === range(0, count($parts) - 1);
        $value['parts'] = count($parts);

        return new Fact($last->id, $last->step, $value, $parts[0]->at, $last->by, $last->role);
    }
}
