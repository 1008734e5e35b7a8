<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation;

use Diastoma\Core\Calculation\Field\Field;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Refused;

/**
 * The inputs of a calculation or of one row of a list, read off the attributed parameters of
 * `__invoke` (calculations) or of the constructor (rows).
 */
final class Signature
{
    /** @var array<class-string, self> */
    private static array $read = [];

    /** @var array<string, int> every key that is known, in any unit => which input it is of */
    private readonly array $known;

    /** @param  list<Input>  $inputs  in the order of the parameters */
    private function __construct(public readonly array $inputs)
    {
        $known = [];
        foreach ($inputs as $i => $input) {
            $known += array_fill_keys(array_keys($input->keys), $i);
        }
        $this->known = $known;
    }

    /** @param  class-string  $class */
    public static function of(string $class): self
    {
        return self::$read[$class] ??= self::reflect(new \ReflectionClass($class));
    }

    /** @param  \ReflectionClass<object>  $class */
    private static function reflect(\ReflectionClass $class): self
    {
        $method = $class->hasMethod('__invoke') ? $class->getMethod('__invoke') : $class->getConstructor();

        return new self(array_map(Input::of(...), $method?->getParameters() ?? []));
    }

    /**
     * JSON in, arguments in SI out, in the order of the parameters. Every fault of the input is reported, in the same order.
     *
     * @param  array<string, mixed>  $given
     * @return list<mixed>
     *
     * @throws Refused
     */
    public function arguments(array $given, Family $family, ?string $list = null, ?int $row = null): array
    {
        $arguments = $refusals = $came = $twice = $unknown = [];
        $at = $row === null ? '' : "{$list}, row {$row}: ";
        foreach ($given as $key => $value) {
            $input = $this->known[$key] ?? null;
            if ($input === null) {
                $unknown[] = (string) $key;
            } elseif ($value !== null) {
                $twice[$input] = isset($came[$input]);
                $came[$input] ??= (string) $key;
            }
        }
        foreach ($this->inputs as $i => $input) {
            $key = $came[$i] ?? null;
            if ($key === null && ! $input->required) {
                $arguments[] = $input->default;

                continue;
            }
            $field = $input->field;
            $name = $family->fieldName($key ?? $field->key, $field->bare(), $list);
            try {
                if ($key === null) {
                    throw Refused::field($name, "{$field->key} is missing.");
                }
                if ($twice[$i]) {
                    $keys = implode(
                        ', ',
                        array_keys(array_filter(array_intersect_key($given, $input->keys), fn (mixed $v) => $v !== null)),
                    );
                    throw Refused::field($name, "{$field->bare()} came in several units ({$keys}); give one.");
                }
                $arguments[] = $field->read($given[$key], $key, $name, $family);
            } catch (Refused $refused) {
                $refusals[] = $at === '' ? $refused : Refused::field($refused->firstField(), $at.$refused->getMessage());
            }
        }
        foreach ($unknown as $key) {
            $refusals[] = Refused::field(
                $family->fieldName($key, $key, $list),
                "{$at}{$key} is not an input here; known are ".implode(', ', $this->names()).'.',
            );
        }
        if ($refusals !== []) {
            throw Refused::together($refusals);
        }

        return $arguments;
    }

    /** The input that answers under a key, in whatever unit. */
    public function fieldFor(string $key): ?Field
    {
        foreach ($this->inputs as $input) {
            if (\array_key_exists($key, $input->keys)) {
                return $input->field;
            }
        }

        return null;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_map(fn (Input $input) => $input->field->key, $this->inputs);
    }

    /** @return list<Field> inputs without which it does not run */
    public function required(): array
    {
        return array_values(
            array_map(fn (Input $input) => $input->field, array_filter($this->inputs, fn (Input $input) => $input->required)),
        );
    }

    /** @return array<string, mixed> JSON schema of the object */
    public function schema(): array
    {
        $properties = [];
        $required = [];
        foreach ($this->inputs as $input) {
            $field = $input->field;
            $schema = $field->schema();
            if ($input->required) {
                $required[] = $field->key;
            } elseif (\is_scalar($input->default)) {
                $schema['default'] = $field instanceof Measure
                    ? $input->keys[$field->key]?->fromSi((float) $input->default)
                    : $input->default;
            }
            $properties[$field->key] = $schema === [] ? new \stdClass : $schema;
        }

        return ['type' => 'object', 'properties' => $properties, 'required' => $required, 'additionalProperties' => true];
    }
}
