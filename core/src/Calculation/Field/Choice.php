<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** One word out of a list. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Choice extends Field
{
    /** @param  list<string>  $words */
    public function __construct(string $key, public array $words, string $about = '')
    {
        parent::__construct($key, $about);
    }

    public function read(mixed $value, string $key, string $name, Family $family): string
    {
        if (! \in_array($value, $this->words, true)) {
            throw Refused::field($name, "{$key} is ".self::shown($value).'; allowed is one of '.implode(', ', $this->words).'.');
        }

        return $value;
    }

    public function schema(): array
    {
        return ['type' => 'string', 'enum' => $this->words];
    }
}
