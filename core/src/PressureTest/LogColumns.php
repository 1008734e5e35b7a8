<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/**
 * The readings of a log, column by column: a week of seconds is held in a tenth of the room that its rows would take.
 *
 * @phpstan-type LogRow array{float, float, float|null, float|null}
 */
final readonly class LogColumns
{
    /**
     * @param  list<float>  $times  s
     * @param  list<float>  $pressures  kPa
     * @param  list<float|null>|null  $temperatures  °C; null: the log has none
     * @param  list<float|null>|null  $litres  pumped in; null: the log has none
     */
    public function __construct(
        public array $times,
        public array $pressures,
        public ?array $temperatures = null,
        public ?array $litres = null,
    ) {
    }

    public function count(): int
    {
        return \count($this->times);
    }

    /** @return list<LogRow> */
    public function rows(): array
    {
        $rows = [];
        foreach ($this->times as $i => $time) {
            $rows[] = [$time, $this->pressures[$i], $this->temperatures[$i] ?? null, $this->litres[$i] ?? null];
        }

        return $rows;
    }

    /** @param  list<float>  $times  s, as many */
    public function at(array $times): self
    {
        return new self($times, $this->pressures, $this->temperatures, $this->litres);
    }

    /** @param  array<int, true>  $left  places that are left out */
    public function without(array $left): self
    {
        if ($left === []) {
            return $this;
        }
        $kept = fn (array $column): array => array_values(array_diff_key($column, $left));

        return new self(
            $kept($this->times),
            $kept($this->pressures),
            $this->temperatures === null ? null : $kept($this->temperatures),
            $this->litres === null ? null : $kept($this->litres),
        );
    }
}
