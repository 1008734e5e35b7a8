<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;

/** A value whose shape the calculation checks itself (for example the name of a layout or the layout as an object). */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Anything extends Field
{
    public function read(mixed $value, string $key, string $name, Family $family): mixed
    {
        return $value;
    }

    public function schema(): array
    {
        return $this->about === '' ? [] : ['description' => $this->about];
    }
}
