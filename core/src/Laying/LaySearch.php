<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Refused;

/**
 * Lays a line out with the fewest pieces, then the fewest cuts, then the smallest greatest angle, then the least waste.
 *
 * A first, narrow pass finds a plan; the second looks at every way that can still be as good. Where there are too many of those the
 * plan of the first stands, and that it is not proved is said: {@see LayOutcome::$isProved}.
 */
final readonly class LaySearch
{
    /** States on a level of the narrow pass, and of the wider one that is tried where that finds nothing. */
    private const NARROW = 40;

    private const WIDER = 240;

    /** States in all of a pass that drops none: of a short line, and of one longer than SHORT_M. */
    private const MANY = 200000;

    private const FEW = 40000;

    private const SHORT_M = 1500.0;

    private const MOST_PIPES = 20000;

    private PiecesLeft $piecesLeft;

    /** @throws Refused where so many pipes would have to be laid that nobody waits for it */
    public function __construct(private Alignment $line, private LayingRules $rules)
    {
        $length = $line->trueLengthFrom($rules->begins($line));
        $shortest = min(array_map(fn (StockPipe $pipe): float => $pipe->length, $rules->stock));
        if ($length / $shortest > self::MOST_PIPES) {
            throw Refused::field('stock', sprintf(
                'stock holds %s m, and the line is %.0f m long: that may be more than %d pipes. Lay it out in parts.',
                $shortest,
                $length,
                self::MOST_PIPES,
            ));
        }
        $this->piecesLeft = new PiecesLeft($line, $rules);
    }

    public function run(): LayOutcome
    {
        $whole = $this->best(false);
        if ($whole->isFeasible() || ! $this->rules->phaseCuts) {
            return $whole;
        }
        $cut = $this->best(true);

        return $cut->isFeasible() ? $cut : $whole;
    }

    /** The same by the more likely ways alone: what a help would come to, in a fraction of the time. */
    public function likely(): LayOutcome
    {
        $whole = $this->pass(self::NARROW, null, false);
        if ($whole->isFeasible() || ! $this->rules->phaseCuts) {
            return $whole;
        }
        $cut = $this->pass(self::NARROW, null, true);

        return $cut->isFeasible() ? $cut : $whole;
    }

    private function best(bool $mayCut): LayOutcome
    {
        $narrow = $this->pass(self::NARROW, null, $mayCut);
        if ($narrow->isProved) {
            return $narrow;
        }
        $all = $this->pass(null, $narrow->isFeasible() ? \count($narrow->pieces) : null, $mayCut);
        if ($all->isProved && ($all->isFeasible() || ! $narrow->isFeasible())) {
            return $all;
        }

        return $narrow->isFeasible() ? $this->fewest($narrow) : $this->pass(self::WIDER, null, $mayCut);
    }

    private function pass(?int $width, ?int $most, bool $mayCut): LayOutcome
    {
        $states = $this->line->to() - $this->line->from() <= self::SHORT_M ? self::MANY : self::FEW;

        return (new LayPass($this->line, $this->rules, $this->piecesLeft, $width, $states, $most, $mayCut))->run();
    }

    /** A plan of a pass that dropped some ways: with as few pieces as the length alone wants it is proved all the same. */
    private function fewest(LayOutcome $plan): LayOutcome
    {
        $isProved = \count($plan->pieces) <= $this->piecesLeft->ofAll();

        return new LayOutcome($plan->pieces, $plan->cuts, $plan->angle, $isProved);
    }
}
