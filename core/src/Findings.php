<?php

declare(strict_types=1);

namespace Diastoma\Core;

/** What a check has found: codes, each once and in the order in which they came, and the verdict of the worst. */
final class Findings
{
    /** @var array<string, Verdict> */
    private array $reasons = [];

    /** @var array<string, true> */
    private array $notes = [];

    public function bad(string $code): void
    {
        $this->reasons[$code] ??= Verdict::Bad;
    }

    public function open(string $code): void
    {
        $this->reasons[$code] ??= Verdict::Open;
    }

    public function close(string $code): void
    {
        $this->reasons[$code] ??= Verdict::Close;
    }

    /** All that was found elsewhere, such as at one of two ends. */
    public function take(self $other): void
    {
        $this->reasons += $other->reasons;
        $this->notes += $other->notes;
    }

    /** What another check came to: good says nothing. */
    public function of(Verdict $verdict, string $code): void
    {
        if ($verdict !== Verdict::Good) {
            $this->reasons[$code] ??= $verdict;
        }
    }

    /** Something worth knowing that changes no verdict. */
    public function note(string $code): void
    {
        $this->notes[$code] = true;
    }

    /**
     * Held against the most that is allowed. Without a limit it is open; a figure that is not known is said by what it lacks.
     *
     * @param  string  $key  of the limit
     * @param  string  $code  said when it is over
     */
    public function atMost(?float $value, ?float $limit, string $key, string $code): void
    {
        if ($limit === null) {
            $this->open("no-limit:{$key}");
        } elseif ($value !== null && ! Compare::atMost($value, $limit)) {
            $this->bad($code);
        }
    }

    /**
     * Held against the least that is wanted, likewise.
     *
     * @param  string  $key  of the limit
     * @param  string  $code  said when it is under
     */
    public function atLeast(?float $value, ?float $limit, string $key, string $code): void
    {
        if ($limit === null) {
            $this->open("no-limit:{$key}");
        } elseif ($value !== null && ! Compare::atLeast($value, $limit)) {
            $this->bad($code);
        }
    }

    /**
     * What a person says yes or no to: no is bad, and what was not said is neither.
     *
     * @param  string  $code  said when it is not so
     */
    public function fact(?bool $fact, string $key, string $code): void
    {
        if ($fact === null) {
            $this->open("no-fact:{$key}");
        } elseif (! $fact) {
            $this->bad($code);
        }
    }

    /** @return array{reasons: list<string>, notes: list<string>, verdict: string} */
    public function toArray(): array
    {
        return [
            'reasons' => array_keys($this->reasons), 'notes' => array_keys($this->notes),
            'verdict' => Verdict::worst(Verdict::Good, ...array_values($this->reasons))->value,
        ];
    }
}
