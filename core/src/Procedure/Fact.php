<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** What somebody recorded at one step. Never changed; a later fact may supersede it. */
final readonly class Fact
{
    /**
     * @param  array<string, mixed>  $value  as checked and normalised by {@see FactCheck}
     * @param  \DateTimeImmutable|null  $received  when it arrived where it is kept; null: it has not yet
     */
    public function __construct(
        public string $id,
        public string $step,
        public array $value,
        public \DateTimeImmutable $at,
        public string $by = '',
        public string $role = '',
        public ?string $supersedes = null,
        public ?\DateTimeImmutable $received = null,
    ) {
    }
}
