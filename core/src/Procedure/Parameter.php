<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\UnitSystem;

/** A number or word of a procedure that somebody may want to change, and where it comes from. */
final readonly class Parameter implements Cites
{
    /** @param  string  $name  its end tells the unit */
    public function __construct(
        public string $name,
        public mixed $value,
        public string $label,
        public string $source,
        public string $certainty,
    ) {
    }

    public function cite(Known $known): self
    {
        return $this;
    }

    /** Was it written down from memory, so that it has to be held against its source before somebody relies on it? */
    public function isFromMemory(): bool
    {
        return $this->certainty === 'memory';
    }

    /** @return array{value: mixed, label: string, source: string, certainty: string} */
    public function toArray(): array
    {
        return ['value' => $this->value, 'label' => $this->label, 'source' => $this->source, 'certainty' => $this->certainty];
    }

    /**
     * As a limit is cited.
     *
     * @return array{name: string, label: string, value: mixed, shown: string|null, source: string, certainty: string}
     */
    public function cited(UnitSystem $units): array
    {
        $decimals = is_numeric($this->value) ? Display::asWritten($this->name, (float) $this->value) : null;

        return [
            'name' => $this->name, 'label' => $this->label, 'value' => $this->value,
            'shown' => is_numeric($this->value)
                ? (new Spoken([[(float) $this->value, $this->name, (string) $decimals]]))->in($units)
                : null,
            'source' => $this->source, 'certainty' => $this->certainty,
        ];
    }
}
