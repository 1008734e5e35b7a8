<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\UnitSystem;
use Diastoma\Core\Verdict;

/** Why a step is judged as it is, and what to do now. Kept as a template with its values until the reader's units are known. */
final readonly class Reason
{
    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, mixed>|null  $limit  name, value, source, certainty
     * @param  bool  $unusable  what was entered cannot be used: it is looked at again before anything else
     */
    public function __construct(
        public Verdict $verdict,
        public string $text,
        public string $do,
        public array $values,
        public ?array $limit = null,
        public bool $unusable = false,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(UnitSystem $units, ?\DateTimeZone $zone): array
    {
        return [
            'verdict' => $this->verdict->value,
            'text' => $this->sentence($units, $zone),
            'do' => Sentence::render($this->do, $this->values, $units, $zone),
            'limit' => $this->limit === null ? null : [
                'name' => $this->limit['name'], 'label' => $this->limit['label'] ?? $this->limit['name'], 'value' => $this->limit['value'],
                'shown' => is_numeric($this->limit['value']) ? Sentence::render('{x.'.$this->limit['name'].'}', ['x' => [$this->limit['name'] => (float) $this->limit['value']]], $units) : null,
                'source' => $this->limit['source'] ?? '', 'certainty' => $this->limit['certainty'] ?? '',
            ],
        ];
    }

    public function sentence(UnitSystem $units, ?\DateTimeZone $zone): string
    {
        return Sentence::render($this->text, $this->values, $units, $zone);
    }
}
