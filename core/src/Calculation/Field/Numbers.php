<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** A flat list of numbers, whole ones as a rule, or of texts. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Numbers extends Field
{
    public function __construct(string $key, public bool $texts = false, private bool $whole = true, string $about = '')
    {
        parent::__construct($key, $about);
    }

    /** @return list<mixed> */
    public function read(mixed $value, string $key, string $name, Family $family): array
    {
        $what = $this->texts ? 'texts' : ($this->whole ? 'whole numbers' : 'numbers');
        if (! \is_array($value) || ! array_is_list($value)) {
            throw Refused::field($name, "{$key} must be a list of {$what}, not ".self::shown($value).'.');
        }
        foreach ($value as $cell) {
            $isFraction = ! $this->whole && \is_float($cell) && is_finite($cell);
            if ($this->texts ? ! \is_string($cell) : ! \is_int($cell) && ! $isFraction) {
                throw Refused::field($name, "{$key} must hold {$what} only, not ".self::shown($cell).'.');
            }
        }

        return $value;
    }

    public function schema(): array
    {
        return ['type' => 'array', 'items' => ['type' => $this->texts ? 'string' : ($this->whole ? 'integer' : 'number')]];
    }
}
