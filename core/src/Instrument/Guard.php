<?php

declare(strict_types=1);

namespace Diastoma\Core\Instrument;

use Diastoma\Core\Compare;
use Diastoma\Core\Verdict;

/**
 * A value held against its limits with the measurement's own uncertainty respected.
 *
 * Rules: `guarded` guard band g = U (ILAC-G8:09/2019, w = U; JCGM 106); `guarded-95` g = 1.645 u = 0.8225 U
 * (from memory: default of ISO 14253-1:2017); `simple` g = 0, shared risk.
 */
final readonly class Guard
{
    public const RULES = ['guarded', 'guarded-95', 'simple'];

    /** @param  list<string>  $reasons */
    private function __construct(public Verdict $verdict, public bool $uncertain, public array $reasons)
    {
    }

    /**
     * @param  float|null  $value  null: not measured
     * @param  float|null  $u  expanded uncertainty (k = 2), same unit; null: unknown
     */
    public static function judge(?float $value, ?float $min, ?float $max, ?float $u, string $rule = 'guarded'): self
    {
        if ($min === null && $max === null) {
            return new self(Verdict::Open, false, ['no limit']);
        }
        if ($value === null) {
            return new self(Verdict::Open, false, ['no reading']);
        }
        $distance = min($max === null ? INF : $max - $value, $min === null ? INF : $value - $min);
        $slack = Compare::slack($value, $min ?? 0.0, $max ?? 0.0, $u ?? 0.0);
        $guard = match (true) {
            $rule === 'simple' => 0.0,
            $u === null => null,
            $rule === 'guarded-95' => 0.8225 * $u,
            default => $u,
        };
        if ($distance < -$slack) {
            $uncertain = $guard !== null && $guard > 0 && $distance >= -$guard - $slack;

            return new self(
                Verdict::Bad,
                $uncertain,
                $uncertain ? ['over by less than the tool can tell: measure again with a better one, or treat as bad'] : [],
            );
        }
        if ($guard === null) {
            return new self(Verdict::Open, false, ['the uncertainty of the measurement is not known']);
        }
        $reasons = $min !== null && $max !== null && $max - $min < 2 * $guard - $slack ? ['tool too coarse: nothing can be good'] : [];
        if ($distance >= $guard - $slack) {
            return new self(Verdict::Good, false, $reasons);
        }

        return new self(Verdict::Close, false, [...$reasons, 'inside the limit by less than the uncertainty of the measurement']);
    }

    /** The same where something else keeps the value from being proved: bad stays bad, all else is open for that reason. */
    public function notGood(string $reason): self
    {
        return $this->verdict === Verdict::Bad ? $this : new self(Verdict::Open, false, [$reason]);
    }

    /** @return array{verdict: string, uncertain: bool, reasons: list<string>} */
    public function toArray(): array
    {
        return ['verdict' => $this->verdict->value, 'uncertain' => $this->uncertain, 'reasons' => $this->reasons];
    }
}
