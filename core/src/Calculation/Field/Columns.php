<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** A long series by its columns, such as {"t_s": […], "pressure_kpa": […]}: as {@see Rows}, in a tenth of the room. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Columns extends Field
{
    /** @param  non-empty-list<string>  $columns  names with unit; the first one rises */
    public function __construct(string $key, public array $columns, public int $atLeast = 1, string $about = '')
    {
        parent::__construct($key, $about);
    }

    /** @return list<list<float>> as many lists as there are columns, each as long */
    public function read(mixed $value, string $key, string $name, Family $family): array
    {
        $wanted = "{$key} must hold ".implode(' and ', $this->columns);
        if (! \is_array($value) || array_diff($this->columns, array_keys($value)) !== [] || \count($value) > \count($this->columns)) {
            throw Refused::field($name, "{$wanted}, and nothing else.");
        }
        $columns = array_map(fn (string $column): array => $this->column($value[$column], $column, $key, $name), $this->columns);
        if (\count(array_unique(array_map(\count(...), $columns))) > 1 || \count($columns[0]) < $this->atLeast) {
            throw Refused::field($name, "{$wanted}, each a list of as many numbers, at least {$this->atLeast}.");
        }
        $before = -INF;
        foreach ($columns[0] as $i => $number) {
            if ($number <= $before) {
                $row = $i + 1;
                throw Refused::field($name, "{$key}, row {$row}: {$this->columns[0]} must rise; {$number} follows {$before}.");
            }
            $before = $number;
        }

        return $columns;
    }

    /** @return list<float> */
    private function column(mixed $given, string $column, string $key, string $name): array
    {
        if (! \is_array($given) || ! array_is_list($given)) {
            throw Refused::field($name, "{$key}, {$column}: must be a list of numbers, not ".self::shown($given).'.');
        }
        $isWhole = false;
        foreach ($given as $i => $cell) {
            if (! \is_float($cell) && ! \is_int($cell) || ! is_finite($cell)) {
                throw Refused::field($name, "{$key}, row ".($i + 1).": {$column} must be a number, not ".self::shown($cell).'.');
            }
            $isWhole = $isWhole || \is_int($cell);
        }

        /** @var list<float> */
        return $isWhole ? array_map(floatval(...), $given) : $given;
    }

    public function schema(): array
    {
        $list = ['type' => 'array', 'minItems' => $this->atLeast, 'items' => ['type' => 'number']];

        return [
            'type' => 'object',
            // The same input by its rows is there for whoever types.
            'x-by-columns' => true,
            'properties' => array_fill_keys($this->columns, $list),
            'required' => $this->columns,
            'additionalProperties' => false,
        ];
    }
}
