<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** Levels along a line, straight between the places at which they are known; beyond the first and the last nobody knows them. */
final readonly class Levels
{
    /** @param  list<list<float>>  $rows  chainage rising, level, m; at least one */
    public function __construct(private array $rows)
    {
    }

    /** @return float|null m; null: nobody knows it there */
    public function at(float $chainage): ?float
    {
        $last = \count($this->rows) - 1;
        if ($this->rows === [] || $chainage < $this->rows[0][0] || $chainage > $this->rows[$last][0]) {
            return null;
        }
        [$low, $high] = [0, $last];
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            [$low, $high] = $this->rows[$middle][0] <= $chainage ? [$middle, $high] : [$low, $middle];
        }
        [[$from, $a], [$to, $b]] = [$this->rows[$low], $this->rows[$high]];

        return $to === $from ? $a : $a + ($b - $a) * ($chainage - $from) / ($to - $from);
    }
}
