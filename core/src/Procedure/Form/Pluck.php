<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

#[About('$pluck', '{"$pluck": "readings.clock"}', 'one column of a round of this step')]
final readonly class Pluck extends Form
{
    public function __construct(private Expression $rows, private string $column)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $of = \is_string($spec['$pluck']) ? $spec['$pluck'] : '';
        $column = substr((string) strrchr($of, '.'), 1);
        if ($column === '') {
            return $reader->below('$pluck')->unresolved($of, 'must name a list of this step and a column of it, as in "readings.clock"');
        }

        return new self($reader->below('$pluck')->path('$fact.'.substr($of, 0, -\strlen($column) - 1)), $column);
    }

    /** @return list<mixed> */
    public function of(Known $known): array
    {
        $rows = $this->rows->of($known);

        return \is_array($rows) ? array_column($rows, $this->column) : [];
    }
}
