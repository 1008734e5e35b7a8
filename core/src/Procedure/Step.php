<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** One step of a procedure, as the file states it; `side` is set when the step is done on each pipe end. */
final readonly class Step
{
    public const KINDS = ['check', 'choice', 'number', 'round', 'scan', 'trace', 'bolts', 'timer', 'hold', 'note'];

    private string $key;

    /**
     * @param  list<FieldSpec>  $fields
     * @param  array<string, mixed>  $raw
     */
    private function __construct(
        public string $id,
        public ?string $side,
        public string $kind,
        public string $title,
        public array $fields,
        public bool $optional,
        public array $raw,
    ) {
        $this->key = self::keyOf($id, $side);
    }

    /** @param  array<string, mixed>  $raw */
    public static function from(array $raw, ?string $side): self
    {
        return new self(
            $raw['id'], $side, $raw['kind'], $raw['title'],
            array_map(FieldSpec::from(...), $raw['fields'] ?? []), $raw['optional'] ?? false, $raw,
        );
    }

    /** `od@a` for a step done on side a, else `conditions`. */
    public function key(): string
    {
        return $this->key;
    }

    public static function keyOf(string $id, ?string $side): string
    {
        return $side === null ? $id : "{$id}@{$side}";
    }

    /** @return list<string> roles that may record this step; empty: anybody on the line */
    public function roles(): array
    {
        return $this->raw['roles'] ?? [];
    }

    /** @return list<string> */
    public function positions(): array
    {
        return $this->raw['positions'] ?? [];
    }
}
