<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;
use Diastoma\Core\Round\Median;

#[About('$spacing', '{"$spacing": "$fact.samples"}', 'the usual step of the first column of a series')]
final readonly class Spacing extends Form
{
    public function __construct(private Expression $rows)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        return new self($reader->below('$spacing')->expression($spec['$spacing']));
    }

    public function of(Known $known): ?float
    {
        $rows = $this->rows->of($known);
        if (! \is_array($rows) || \count($rows) < 2) {
            return null;
        }
        $steps = [];
        $before = null;
        foreach ($rows as $row) {
            $at = \is_array($row) ? $row[0] ?? null : null;
            if (! is_numeric($at)) {
                return null;
            }
            if ($before !== null) {
                $steps[] = (float) ($at - $before);
            }
            $before = $at;
        }

        return $steps === [] ? null : Median::of($steps);
    }

    public function missing(Known $known): array
    {
        return $this->rows->missing($known);
    }
}
