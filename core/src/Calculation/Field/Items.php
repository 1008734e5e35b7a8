<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Signature;
use Diastoma\Core\Refused;

/** A list of rows, each an object read into the named class by its constructor's own attributes. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Items extends Field
{
    /** @param  class-string  $row */
    public function __construct(string $key, public string $row, public int $atLeast = 1, public int $atMost = 100000, string $about = '')
    {
        parent::__construct($key, $about);
    }

    /** @return list<object> */
    public function read(mixed $value, string $key, string $name, Family $family): array
    {
        if (! \is_array($value) || ! array_is_list($value)) {
            throw Refused::field($name, "{$key} must be a list, not ".self::shown($value).'.');
        }
        $n = \count($value);
        if ($n < $this->atLeast || $n > $this->atMost) {
            throw Refused::field(
                $name,
                "{$key} holds {$n} rows; at least {$this->atLeast} are wanted".
                    ($n > $this->atMost ? " and at most {$this->atMost}" : '').
                    '.',
            );
        }
        $signature = Signature::of($this->row);
        $rows = [];
        foreach ($value as $i => $row) {
            if (! \is_array($row) || ($row !== [] && array_is_list($row))) {
                throw Refused::field($name, "{$key}, row ".($i + 1).': must be an object, not '.self::shown($row).'.');
            }
            $rows[] = new $this->row(...$signature->arguments($row, $family, $key, $i + 1));
        }

        return $rows;
    }

    public function schema(): array
    {
        return ['type' => 'array', 'minItems' => $this->atLeast, 'items' => Signature::of($this->row)->schema()];
    }
}
