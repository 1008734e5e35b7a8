<?php

declare(strict_types=1);

namespace Diastoma\Core\Pipe;

use Diastoma\Core\Calculation\Field\Flag;
use Diastoma\Core\Calculation\Field\Measure;
use Diastoma\Core\Compare;
use Diastoma\Core\Findings;
use Diastoma\Core\Instrument\Guard;
use Diastoma\Core\Mechanical\Limits;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Verdict;

/** One pipe end as it was measured, and the range of the gasket that is to grip it. */
final readonly class TapedEnd
{
    public function __construct(
        #[Measure('od_mm', Quantity::Length, above: 0, about: 'taped, or the mean')] public float $od,
        #[Measure('range_min_mm', Quantity::Length, above: 0)] public ?float $rangeMin = null,
        #[Measure('range_max_mm', Quantity::Length, above: 0)] public ?float $rangeMax = null,
        #[Measure('od_min_mm', Quantity::Length, above: 0)] public ?float $least = null,
        #[Measure('od_max_mm', Quantity::Length, above: 0)] public ?float $most = null,
        #[Measure('u_mm', Quantity::Length, min: 0, about: 'expanded')] public ?float $u = null,
        #[Flag('surface_ok', about: 'no scars, dents, flats or pitting where it seals')] public ?bool $surface = null,
    ) {
        Limits::mustRise($rangeMin, $rangeMax, 'range_max_mm');
        Limits::mustRise($least, $most, 'od_max_mm');
    }

    /** What is found at this end alone. */
    public function judge(?float $outOfRoundMost, string $rule): Findings
    {
        $found = new Findings;
        if ($this->rangeMin === null || $this->rangeMax === null) {
            $found->open($this->rangeMin === null ? 'no-limit:range_min_mm' : 'no-limit:range_max_mm');
        } else {
            $this->inRange($found, $rule);
        }
        $this->outOfRound($found, $outOfRoundMost, $rule);
        $found->fact($this->surface, 'surface_ok', 'surface');

        return $found;
    }

    private function inRange(Findings $found, string $rule): void
    {
        $taped = Guard::judge($this->od, $this->rangeMin, $this->rangeMax, $this->u, $rule);
        $found->of($taped->verdict, match ($taped->verdict) {
            Verdict::Bad => $this->od < $this->rangeMin ? 'od-low' : 'od-high',
            Verdict::Close => 'od-near-limit',
            default => 'no-fact:u_mm',
        });
        if ($this->most !== null && ! Compare::atMost($this->most, (float) $this->rangeMax)) {
            $within = $this->u !== null && Compare::atMost($this->most, $this->rangeMax + $this->u);
            $within ? $found->close('may-not-slide-on') : $found->bad('will-not-slide-on');
        }
        if ($this->least !== null && ! Compare::atLeast($this->least, (float) $this->rangeMin)) {
            $found->close('seals-least-across');
        }
    }

    private function outOfRound(Findings $found, ?float $most, string $rule): void
    {
        if ($most === null) {
            $found->note('out-of-round-not-judged');
        } elseif ($this->least === null || $this->most === null) {
            $found->open($this->least === null ? 'no-fact:od_min_mm' : 'no-fact:od_max_mm');
        } else {
            $guard = Guard::judge($this->most - $this->least, null, $most, $this->u, $rule);
            $found->of($guard->verdict, match ($guard->verdict) {
                Verdict::Bad => 'out-of-round', Verdict::Close => 'out-of-round-near-limit', default => 'no-fact:u_mm',
            });
        }
    }
}
