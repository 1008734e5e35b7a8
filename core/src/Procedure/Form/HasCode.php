<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Form;

use Diastoma\Core\Procedure\Compile\Reader;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Known;

#[About(
    '$has',
    '{"$has": "$result.fusion.fusion-trace.events", "any": ["supply-lost"]}',
    'whether a list holds one of these codes',
    ['any'],
)]
final readonly class HasCode extends Form
{
    /** @param  list<string>  $codes */
    public function __construct(private Expression $list, private array $codes)
    {
    }

    public static function read(array $spec, Reader $reader): Expression
    {
        $codes = \is_array($spec['any'] ?? null) ? array_values(array_filter($spec['any'], is_string(...))) : [];
        if ($codes === []) {
            return $reader->unresolved('$has', 'needs "any": the codes that are looked for');
        }
        $reader->below('any')->codesMustExist($spec['$has'], $codes);

        return new self($reader->below('$has')->expression($spec['$has']), $codes);
    }

    public function of(Known $known): ?bool
    {
        $list = $this->list->of($known);

        $code = fn (mixed $held): mixed => \is_array($held) ? $held['code'] ?? null : $held;

        return \is_array($list)
            ? array_filter($list, fn (mixed $held) => \in_array($code($held), $this->codes, true)) !== []
            : null;
    }

    public function missing(Known $known): array
    {
        return $this->list->missing($known);
    }

    public function isRuledOut(Known $known): bool
    {
        return $this->list->isRuledOut($known);
    }
}
