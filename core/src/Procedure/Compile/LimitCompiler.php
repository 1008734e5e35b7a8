<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Procedure\Expression\Constant;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Expression\InUnit;
use Diastoma\Core\Procedure\Limit;
use Diastoma\Core\Units\Display;

/**
 * Compiles what one value of a result must meet; each number comes into the unit of that value.
 *
 * @phpstan-import-type LimitText from AsWritten
 */
final readonly class LimitCompiler
{
    public function __construct(private Reader $reader)
    {
    }

    /** @param  LimitText  $limit  in the form of the schema */
    public function compile(array $limit, ?Calculates $about): Limit
    {
        if ($about !== null && ! \in_array($limit['of'], $about->gives, true)) {
            $this->reader->below('of')->fault("{$about->name} gives no \"{$limit['of']}\"; ".Nearest::to($limit['of'], $about->gives));
        }
        $bounds = array_intersect(['min', 'max', 'within', 'is'], array_keys($limit));
        if ($bounds === []) {
            $this->reader->fault('limits nothing: wanted is min, max, within with tol, or is');
        }
        if (isset($limit['within']) !== isset($limit['tol'])) {
            $this->reader->fault('within and tol belong together: the wanted value, and how far from it is allowed');
        }
        if (! isset($limit['is']) && $bounds !== [] && ! isset($limit['u']) && ($limit['rule'] ?? '') !== 'simple') {
            $this->reader->fault(
                'has no uncertainty u: without one nothing is good. Give it, or "rule": "simple" where the value counts as it was read',
            );
        }

        return new Limit(
            of: $limit['of'],
            min: $this->number($limit, 'min'),
            max: $this->number($limit, 'max'),
            within: $this->number($limit, 'within'),
            tolerance: $this->number($limit, 'tol'),
            is: isset($limit['is']) ? $this->reader->below('is')->expression($limit['is']) : null,
            uncertainty: $this->number($limit, 'u'),
            rule: $limit['rule'] ?? 'guarded',
        );
    }

    /** @param  LimitText  $limit */
    private function number(array $limit, string $key): ?Expression
    {
        if (! isset($limit[$key])) {
            return null;
        }
        $at = $this->reader->below($key);
        $expression = $at->expression($limit[$key]);
        if ($expression instanceof Constant && ! \is_int($expression->value) && ! \is_float($expression->value)) {
            $at->fault((\is_string($expression->value) ? Nearest::quoted($expression->value) : 'it').' is no number');
        }

        return \is_string($limit[$key]) ? $this->inUnitOf($limit['of'], $limit[$key], $expression, $at) : $expression;
    }

    private function inUnitOf(string $of, string $path, Expression $expression, Reader $at): Expression
    {
        [, $wanted] = Display::unitOf($of);
        [, $given] = Display::unitOf(substr((string) strrchr('.'.$path, '.'), 1));
        if ($wanted === null || $given === null || $wanted === $given) {
            return $expression;
        }
        if ($wanted->quantity !== $given->quantity) {
            $at->fault("\"{$path}\" is in {$given->symbol}; it cannot limit \"{$of}\", which is in {$wanted->symbol}");

            return $expression;
        }

        return new InUnit($expression, $given, $wanted);
    }
}
