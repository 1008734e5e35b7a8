<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Refused;

/**
 * Lays a line out with the bends that are set into its corners: part by part, each from the joint of one bend to that of the next.
 * A pipe of which there are only so many goes to one part or another: they are taken in the order of the line, and, where that does
 * not come out, against it. With plenty of each length every part is the best there is, and so is the whole.
 */
final readonly class LayRoute
{
    /** @var list<SetBend> in the order of the line, those that lie already left out */
    private array $bends;

    /**
     * @param  list<PlacedBend>  $bends
     *
     * @throws Refused where a bend has no corner or no room
     */
    public function __construct(private Alignment $line, private LayingRules $rules, array $bends = [])
    {
        $from = $rules->begins($line)->chainage;
        $set = array_map(fn (PlacedBend $bend): SetBend => SetBend::in($line, $bend), $bends);
        usort($set, fn (SetBend $a, SetBend $b): int => $a->from <=> $b->from);
        $this->bends = array_values(array_filter($set, fn (SetBend $bend): bool => $bend->to > $from + $rules->closeTolerance));
        foreach ($this->bends as $bend) {
            if ($bend->from < $from - $rules->closeTolerance) {
                throw Refused::field('bends', sprintf(
                    'The bend of %s° at %.2f m would begin at %.2f m; what is laid, or the bend before it, ends at %.2f m.',
                    $bend->bend->turn,
                    $bend->bend->at,
                    $bend->from,
                    $from,
                ));
            }
            $from = $bend->to;
        }
    }

    public function run(): LaidRoute
    {
        return $this->best(fn (LaySearch $search): LayOutcome => $search->run());
    }

    /** The same by the more likely ways alone: what a help would come to, in a fraction of the time. */
    public function likely(): LaidRoute
    {
        return $this->best(fn (LaySearch $search): LayOutcome => $search->likely());
    }

    /** @param  \Closure(LaySearch): LayOutcome  $search */
    private function best(\Closure $search): LaidRoute
    {
        $count = \count($this->bends) + 1;
        $onwards = $this->laid(range(0, $count - 1), $search);
        if ($count === 1 || ! $this->isCounted() || $onwards->isFeasible()) {
            return $onwards;
        }
        $backwards = $this->laid(range($count - 1, 0), $search);

        return $backwards->isFeasible() ? $backwards : $onwards;
    }

    /**
     * @param  list<int>  $order  in which the parts take their pipes
     * @param  \Closure(LaySearch): LayOutcome  $search
     */
    private function laid(array $order, \Closure $search): LaidRoute
    {
        $stock = $this->rules->stock;
        $parts = [];
        foreach ($order as $i) {
            $parts[$i] = $this->part($i, $stock, $search);
            $stock = self::without($stock, $parts[$i]->outcome->pieces);
        }
        ksort($parts);

        /** @var non-empty-list<LaidPart> $inOrder one more than there are bends */
        $inOrder = array_values($parts);

        return new LaidRoute($inOrder, $this->bends, $this->line, $this->isCounted());
    }

    /**
     * @param  non-empty-list<StockPipe>  $stock
     * @param  \Closure(LaySearch): LayOutcome  $search
     */
    private function part(int $i, array $stock, \Closure $search): LaidPart
    {
        $before = $this->bends[$i - 1] ?? null;
        $after = $this->bends[$i] ?? null;
        $rules = $this->rules->ofPart(
            $stock,
            $before === null ? $this->rules->start : $before->leaves,
            $after === null ? $this->rules->end : $after->enters,
            $before === null ? $this->rules->from : null,
        );
        // Without a bend it is the line itself, whose places are counted as the rules have them.
        $line = $before === null && $after === null ? $this->line : null;
        $from = $before === null ? $this->rules->begins($this->line)->chainage : $before->to;
        $to = $after === null ? $this->line->to() : $after->from;
        if ($line === null && $to - $from > $this->rules->closeTolerance) {
            $line = $this->line->within($before === null ? $this->line->from() : $from, $to);
        }

        return new LaidPart($line, $rules, $line === null ? self::joint($rules, $to) : $search(new LaySearch($line, $rules)));
    }

    /** Two bends that meet, or one that meets the pipe that lies: a joint and no pipe. */
    private static function joint(LayingRules $rules, float $at): LayOutcome
    {
        $angle = $rules->start === null || $rules->end === null ? 0.0 : $rules->start->angleTo($rules->end);

        return $rules->allowsAngle($angle)
            ? new LayOutcome([], 0, $angle, true)
            : new LayOutcome([], 0, 0.0, true, 'angle', $at, $angle);
    }

    private function isCounted(): bool
    {
        return array_filter($this->rules->stock, fn (StockPipe $pipe): bool => $pipe->count !== null) !== [];
    }

    /**
     * @param  non-empty-list<StockPipe>  $stock
     * @param  list<Piece>  $taken
     * @return non-empty-list<StockPipe>
     */
    private static function without(array $stock, array $taken): array
    {
        return array_map(fn (StockPipe $pipe): StockPipe => $pipe->count === null ? $pipe : new StockPipe(
            $pipe->length,
            max(0.0, $pipe->count - \count(array_filter($taken, fn (Piece $piece): bool => $piece->stock === $pipe->length))),
        ), $stock);
    }
}
