<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Condition\Condition;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

#[About(
    '$if',
    '{"$if": [{"of": "$fact.x", "known": true}], "then": "$fact.x", "else": 0}',
    'one of two; nothing while the conditions are not settled',
    ['then', 'else'],
)]
final readonly class Choose extends Form
{
    public function __construct(private Condition $if, private Expression $then, private Expression $else)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        return new self(
            $reader->below('$if')->conditions($spec['$if'] ?? null),
            $reader->below('then')->expression($spec['then'] ?? null),
            $reader->below('else')->expression($spec['else'] ?? null),
        );
    }

    public function of(Known $known): mixed
    {
        return $this->chosen($known)?->of($known);
    }

    public function missing(Known $known): array
    {
        return $this->chosen($known)?->missing($known) ?? $this->if->missing($known);
    }

    private function chosen(Known $known): ?Expression
    {
        return match ($this->if->holds($known)) {
            true => $this->then, false => $this->else, null => null,
        };
    }
}
