<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Signature;
use Diastoma\Core\Refused;

/** An object of its own inside the input, read into the named class. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Part extends Field
{
    /** @param  class-string  $class */
    public function __construct(string $key, public string $class, string $about = '')
    {
        parent::__construct($key, $about);
    }

    public function read(mixed $value, string $key, string $name, Family $family): object
    {
        if (! \is_array($value) || ($value !== [] && array_is_list($value))) {
            throw Refused::field($name, "{$key} must be an object, not ".self::shown($value).'.');
        }

        return new $this->class(...Signature::of($this->class)->arguments($value, $family, $key));
    }

    public function schema(): array
    {
        return Signature::of($this->class)->schema();
    }
}
