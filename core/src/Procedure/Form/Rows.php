<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Round\Clock;

#[About(
    '$rows',
    '{"$rows": "readings", "d_mm": "value_mm", "angle_deg": "angle"}',
    'a round as the rows of a calculation; `angle` and `hour` come from the clock',
    ['*'],
)]
final readonly class Rows extends Form
{
    /** @param  array<string, mixed>  $columns  name in the calculation => name in the round, or a value of its own */
    public function __construct(private Expression $rows, private array $columns)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $source = \is_string($spec['$rows']) ? $spec['$rows'] : '';
        unset($spec['$rows']);

        return new self($reader->below('$rows')->path(str_starts_with($source, '$') ? $source : '$fact.'.$source), $spec);
    }

    /** @return list<array<string, mixed>>|null */
    public function of(Known $known): ?array
    {
        $rows = $this->rows->of($known);

        return \is_array($rows) ? array_map(fn (mixed $row) => $this->row(\is_array($row) ? $row : []), array_values($rows)) : null;
    }

    public function missing(Known $known): array
    {
        return $this->rows->missing($known);
    }

    /**
     * @param  array<mixed>  $row
     * @return array<string, mixed>
     */
    private function row(array $row): array
    {
        if (\is_string($row['clock'] ?? null)) {
            $row['angle'] = Clock::degrees($row['clock']);
            $row['hour'] = $row['angle'] / 30;
        }

        return array_map(fn (mixed $from) => \is_string($from) ? ($row[$from] ?? null) : $from, $this->columns);
    }
}
