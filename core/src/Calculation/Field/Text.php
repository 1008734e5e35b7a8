<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** Text as typed or scanned. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Text extends Field
{
    public function __construct(string $key, public int $longest = 200, string $about = '')
    {
        parent::__construct($key, $about);
    }

    public function read(mixed $value, string $key, string $name, Family $family): string
    {
        if (! \is_string($value)) {
            throw Refused::field($name, "{$key} must be text, not ".self::shown($value).'.');
        }
        if (mb_strlen($value) > $this->longest) {
            throw Refused::field($name, "{$key} is longer than {$this->longest} characters.");
        }

        return $value;
    }

    public function schema(): array
    {
        return ['type' => 'string', 'maxLength' => $this->longest];
    }
}
