<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;

/** A series: rows of plain numbers such as [[minute, kPa], …], the first column rising where asked. */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Rows extends Field
{
    /**
     * @param  list<string>  $columns  names with unit, for the sentence and the schema
     * @param  int  $optional  how many of the last columns may be left out
     */
    public function __construct(
        string $key,
        public array $columns,
        public int $atLeast = 1,
        public bool $rising = true,
        public int $optional = 0,
        public bool $notNegative = false,
        string $about = '',
    ) {
        parent::__construct($key, $about);
    }

    /** @return list<list<float>> */
    public function read(mixed $value, string $key, string $name, Family $family): array
    {
        if (! \is_array($value) || ! array_is_list($value) || \count($value) < $this->atLeast) {
            throw Refused::field($name, "{$key} must be a list of at least {$this->atLeast} rows [".implode(', ', $this->columns).'].');
        }
        $rows = [];
        $most = \count($this->columns);
        $before = -INF;
        foreach ($value as $i => $row) {
            if (! \is_array($row) || ! array_is_list($row) || \count($row) > $most || \count($row) < $most - $this->optional) {
                throw Refused::field(
                    $name,
                    self::at($key, $i).': wanted is ['.implode(', ', $this->columns).'], given '.self::shown($row).'.',
                );
            }
            $numbers = [];
            foreach ($row as $j => $cell) {
                if (! \is_float($cell) && ! \is_int($cell) || ! is_finite($cell)) {
                    throw Refused::field($name, self::at($key, $i).": {$this->columns[$j]} must be a number, not ".self::shown($cell).'.');
                }
                if ($this->notNegative && $j > 0 && $cell < 0) {
                    throw Refused::field(
                        $name,
                        self::at($key, $i).": {$this->columns[$j]} must not be negative, it is ".self::shown($cell).'.',
                    );
                }
                $numbers[] = (float) $cell;
            }
            if ($this->rising && $numbers[0] <= $before) {
                throw Refused::field(
                    $name,
                    self::at($key, $i).": {$this->columns[0]} must rise from row to row; {$numbers[0]} follows {$before}.",
                );
            }
            $before = $numbers[0];
            $rows[] = $numbers;
        }

        return $rows;
    }

    private static function at(string $key, int $i): string
    {
        return "{$key}, row ".($i + 1);
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'minItems' => $this->atLeast,
            'items' => ['type' => 'array', 'items' => ['type' => 'number'], 'description' => implode(', ', $this->columns)],
        ];
    }
}
