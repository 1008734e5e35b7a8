<?php

declare(strict_types=1);

namespace Diastoma\Core\Mechanical;

use Diastoma\Core\Verdict;

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

    /** Something worth knowing that changes no verdict. */
    public function note(string $code): void
    {
        $this->notes[$code] = true;
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
