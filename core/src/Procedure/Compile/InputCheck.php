<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Field\Field;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Calculation\Signature;
use Diastoma\Core\Refused;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Unit;

/** Does a binding give a calculation what it asks for: by name, in its unit, within its range where that is written down? */
final readonly class InputCheck
{
    public function __construct(private Reader $reader)
    {
    }

    /** @param  array<string, mixed>  $in  name => where it comes from */
    public function check(string $calculation, array $in): void
    {
        $registry = Registry::standard();
        $signature = Signature::of($registry->classOf($calculation));
        foreach ($in as $key => $from) {
            $field = $signature->fieldFor((string) $key);
            if ($field === null) {
                $this->reader
                    ->below((string) $key)
                    ->fault("\"{$key}\" is not an input of {$calculation}; ".Nearest::to((string) $key, $signature->names()));

                continue;
            }
            $this->unitMustFit((string) $key, $field, $from);
            $this->constantMustFit($calculation, (string) $key, $field, $from);
        }
        foreach ($signature->required() as $field) {
            if (array_intersect_key($in, $field->keys()) === []) {
                $this->reader->below($field->key)->fault("{$calculation} needs \"{$field->key}\"");
            }
        }
    }

    private function unitMustFit(string $key, Field $field, mixed $from): void
    {
        $wanted = $field->keys()[$key] ?? null;
        if (! \is_string($from) || ! str_starts_with($from, '$') || ! $wanted instanceof Unit) {
            return;
        }
        [, $given] = Display::unitOf(substr((string) strrchr($from, '.'), 1));
        if ($given !== null && $given->symbol !== $wanted->symbol) {
            $this->reader->below($key)->fault("\"{$from}\" is in {$given->symbol}, the input in {$wanted->symbol}");
        }
    }

    /** What the file itself says, or a parameter, must be what the calculation takes. */
    private function constantMustFit(string $calculation, string $key, Field $field, mixed $from): void
    {
        $value =
            \is_string($from) && str_starts_with($from, '$param.')
                ? $this->reader->vocabulary->parameters[substr($from, 7)]->value ?? null
                : $from;
        if ($value === null || \is_array($value) || (\is_string($value) && str_starts_with($value, '$'))) {
            return;
        }
        try {
            $field->read($value, $key, $key, Registry::standard()->about($calculation)->family);
        } catch (Refused $refused) {
            $this->reader->below($key)->fault(rtrim($refused->getMessage(), '.'));
        }
    }
}
