<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

#[About(
    '$marked',
    '{"$marked": "log", "as": "hold_from_min"}',
    'what the device of a trace marked under a name, such as the minute at which a phase began',
    ['as'],
)]
final readonly class Marked extends Form
{
    public function __construct(private string $key, private string $mark)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $at = $reader->below('$marked');
        if (! \is_string($spec['$marked']) || ! \is_string($spec['as'] ?? null)) {
            return $at->unresolved('$marked', 'must name a trace, and beside it "as": the name of a mark');
        }
        $key = $at->stepKey($spec['$marked']);

        return $key === null ? $at->unresolved($spec['$marked']) : new self($key, $spec['as']);
    }

    public function of(Known $known): int|float|null
    {
        $marks = $known->values[$this->key]['marks'] ?? null;
        $mark = \is_array($marks) ? $marks[$this->mark] ?? null : null;

        return \is_int($mark) || \is_float($mark) ? $mark : null;
    }
}
