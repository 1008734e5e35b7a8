<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** One input of a calculation: its key at the edge, what is allowed, and the way from JSON to the core. */
abstract readonly class Field
{
    public function __construct(public string $key, public string $about = '')
    {
    }

    /** @return array<string, \Diastoma\Core\Units\Unit|null> keys under which the input may come => its unit */
    public function keys(): array
    {
        return [$this->key => null];
    }

    /** The key without its unit. */
    public function bare(): string
    {
        return $this->key;
    }

    /**
     * @param  mixed  $value  as decoded from JSON, never null
     *
     * @throws Refused
     */
    abstract public function read(mixed $value, string $key, string $name, Family $family): mixed;

    /** @return array<string, mixed> JSON schema of the value */
    abstract public function schema(): array;

    protected static function shown(mixed $value): string
    {
        return \is_string($value)
            ? '"'.mb_substr($value, 0, 60).'"'
            : mb_substr((string) json_encode($value, JSON_PARTIAL_OUTPUT_ON_ERROR), 0, 60);
    }
}
