<?php

declare(strict_types=1);

namespace Diastoma\Core\Calculation\Field;

use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Refused;
use Diastoma\Core\Round\Clock;

/**
 * Values read round a pipe. A row may come as it is recorded, `{"clock": "7:30", "value_mm": 0.4}`, or under the names of the
 * calculation's own sheet.
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Readings extends Field
{
    private const VALUE = 'value_';

    private Items $items;

    /**
     * @param  class-string  $row
     * @param  string  $place  the row's own name of the place: an angle in degrees, or an hour
     * @param  string  $value  the row's own name of the value, without its unit
     */
    public function __construct(
        string $key,
        public string $row,
        private string $place,
        private string $value,
        int $atLeast = 1,
        string $about = '',
    ) {
        parent::__construct($key, $about);
        $this->items = new Items($key, $row, $atLeast, about: $about);
    }

    /** @return list<object> */
    public function read(mixed $value, string $key, string $name, Family $family): array
    {
        if (\is_array($value)) {
            foreach ($value as $i => $row) {
                /** @var array<string, mixed> $row as JSON has it, if it is a row */
                $value[$i] = \is_array($row) && isset($row['clock']) ? $this->own($row, $key, $name, $i) : $row;
            }
        }

        return $this->items->read($value, $key, $name, $family);
    }

    public function schema(): array
    {
        $schema = $this->items->schema();

        return ['x-round' => ['clock' => 'string', self::VALUE.'mm' => 'number']] + $schema;
    }

    /**
     * A row as it is recorded, under the names of the calculation.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private function own(array $row, string $key, string $name, int|string $i): array
    {
        if (! \is_string($row['clock'])) {
            throw Refused::field($name, "{$key}, row ".((int) $i + 1).': clock must be a clock position such as 7:30.');
        }
        $degrees = Clock::degrees($row['clock'], $name);
        $own = [$this->place => str_ends_with($this->place, '_deg') ? $degrees : $degrees / 30];
        foreach (array_diff_key($row, ['clock' => true]) as $named => $value) {
            $own[
                str_starts_with((string) $named, self::VALUE) ? $this->value.substr((string) $named, \strlen(self::VALUE) - 1) : $named
            ] = $value;
        }

        return $own;
    }
}
