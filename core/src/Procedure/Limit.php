<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Procedure\Expression\Expression;
use Diastoma\Core\Procedure\Expression\Walk;
use Diastoma\Core\Verdict;

/**
 * What one value of a result must meet: at least `min`, at most `max`, `within` a value by `tol`, or be `is`.
 *
 * Judged with a guard band by its uncertainty `u` (k = 2, in the unit of the value). Without one nothing is good, by any of
 * these forms, unless the procedure says that the value counts as it stands (`simple`).
 */
final readonly class Limit
{
    /**
     * @param  string  $of  name in the result
     * @param  Expression|null  $within  the value that is wanted
     * @param  'guarded'|'guarded-95'|'simple'  $rule
     */
    public function __construct(
        public string $of,
        private ?Expression $min,
        private ?Expression $max,
        private ?Expression $within,
        private ?Expression $tolerance,
        private ?Expression $is,
        private ?Expression $uncertainty,
        private string $rule,
    ) {
    }

    /**
     * @param  array<string, mixed>  $result
     * @return Verdict open while the value, a limit or an uncertainty that is asked for is not known
     */
    public function judge(array $result, Known $known): Verdict
    {
        $value = Walk::down($result, explode('.', $this->of));
        if ($this->is !== null) {
            $wanted = $this->is->of($known);

            return $value === null || $wanted === null ? Verdict::Open : ($value === $wanted ? Verdict::Good : Verdict::Bad);
        }
        $u = $this->number($this->uncertainty, $known);
        [$min, $max] = [$this->number($this->min, $known), $this->number($this->max, $known)];
        if (! is_numeric($value) || ($this->min !== null && $min === null) || ($this->max !== null && $max === null)) {
            return Verdict::Open;
        }
        if ($this->within !== null) {
            $wanted = $this->number($this->within, $known);
            $max = $this->number($this->tolerance, $known);
            if ($wanted === null || $max === null) {
                return Verdict::Open;
            }
            [$value, $min] = [abs((float) $value - $wanted), null];
        }

        return Guard::judge((float) $value, $min, $max, $u, $this->rule)->verdict;
    }

    /** Does it count as it stands, whatever the measurement can tell? */
    public function isSimple(): bool
    {
        return $this->rule === 'simple' && $this->is === null;
    }

    private function number(?Expression $expression, Known $known): ?float
    {
        $value = $expression?->of($known);

        return \is_int($value) || \is_float($value) ? (float) $value : null;
    }
}
