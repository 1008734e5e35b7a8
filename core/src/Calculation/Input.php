<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

use Diastoma\Core\Calculation\Field\Field;

/** One input of a calculation or of a row: what is allowed, and what stands for it when it does not come. */
final readonly class Input
{
    /**
     * @param  string  $name  of the parameter
     * @param  array<string, \Diastoma\Core\Units\Unit|null>  $keys  under which it may come => its unit
     * @param  mixed  $default  where it is not required
     */
    public function __construct(
        public string $name,
        public Field $field,
        public array $keys,
        public bool $required,
        public mixed $default,
    ) {
    }

    public static function of(\ReflectionParameter $parameter): self
    {
        $attribute = $parameter->getAttributes(Field::class, \ReflectionAttribute::IS_INSTANCEOF)[0]
            ?? throw new \LogicException("{$parameter->getDeclaringClass()?->name}: \${$parameter->name} has no field attribute");
        $field = $attribute->newInstance();
        $optional = $parameter->isDefaultValueAvailable();

        return new self($parameter->name, $field, $field->keys(), ! $optional, $optional ? $parameter->getDefaultValue() : null);
    }
}
