<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/**
 * One pass over a line, pipe by pipe: a level for each pipe laid. On a level the states that are told apart are those with another
 * place (to the centimetre), another last length or another stock; where two are alike the one with the smaller angle stays.
 */
final class LayPass
{
    private const CELLS_PER_M = 100;

    /** More lengths than this are not to hand. */
    public const STOCKS = 20;

    /** Cut pieces within the line come in steps of so many metres, and so many of them at most. */
    private const PHASE_STEP_M = 0.5;

    private const PHASE_CUTS = 2;

    /** Of states that need as many pieces the one further on comes first. */
    private const FURTHER = 0.01;

    private readonly Spot $end;

    /** @var list<int> for each pipe laid: the one before it and the length of stock that it is, in one figure */
    private array $trail = [];

    /** @var array<int, float> for those that were cut: how long, m */
    private array $cut = [];

    private int $seen = 0;

    private bool $dropped = false;

    private ?float $stuckAt = null;

    /** The state at that joint, and by how much it would have to turn, degrees. */
    private ?LayState $stuck = null;

    private ?float $stuckAngle = null;

    private bool $leftLine = false;

    /** @var list<float> lengths of the pieces that may be cut within the line, m */
    private readonly array $phases;

    /**
     * @param  int|null  $width  states kept on a level, the most promising; null: all
     * @param  int  $mostStates  in all, where none are dropped on a level
     * @param  int|null  $most  pieces of a plan that is known: a way that needs more is no longer followed
     * @param  bool  $mayCut  pieces may be cut within the line
     */
    public function __construct(
        private readonly Alignment $line,
        private readonly LayingRules $rules,
        private readonly PiecesLeft $piecesLeft,
        private readonly ?int $width,
        private readonly int $mostStates,
        private readonly ?int $most = null,
        bool $mayCut = false,
    ) {
        $this->end = $line->end();
        $this->phases = $mayCut ? $this->phases() : [];
    }

    /** A pass is run once. */
    public function run(): LayOutcome
    {
        $start = $this->rules->begins($this->line);
        $states = [new LayState($start, $this->rules->start, -1, -1, $this->rules->counts())];
        for ($level = 0; $states !== []; $level++) {
            $best = null;
            $next = [];
            foreach ($states as $state) {
                $tried = new LayTry;
                $best = $this->better($best, $this->finish($state, $tried));
                if (! $state->isHalved) {
                    $this->extend($state, $tried, $next);
                }
                $this->noteStuck($state, $tried);
            }
            if ($best !== null) {
                return $this->outcome($best);
            }
            $this->seen += \count($next);
            if ($this->width === null && $this->seen > $this->mostStates) {
                $this->dropped = true;

                break;
            }
            $states = $this->keep(array_values($next), $this->most === null ? null : $this->most - $level - 1);
        }

        return $this->cannot();
    }

    /** @param  array<int|string, LayState>  $next */
    private function extend(LayState $state, LayTry $tried, array &$next): void
    {
        $far = $this->end->chainage - $state->joint->chainage;
        $allowance = $this->rules->allowance;
        foreach ($this->rules->stock as $i => $pipe) {
            if ($state->left[$i] !== 0) {
                $this->lay($state, $i, $pipe->length, $pipe->length + $allowance, false, $tried, $next, $i);
            }
        }
        if ($state->cuts < self::PHASE_CUTS) {
            foreach ($this->phases as $k => $piece) {
                $i = $this->rules->cutFrom($piece, $state->left);
                if ($i !== null) {
                    $this->lay($state, $i, $piece, $piece + $allowance, false, $tried, $next, self::STOCKS + $k);
                }
            }
        }
        // Two equal halves end the line where the rest of whole pipes would be too short.
        if ($far < 2.5 * ($this->rules->longest() + $allowance)) {
            $half = $state->joint->distance($this->end) / 2;
            $piece = $half - $allowance;
            $i = $this->rules->cutFrom($piece, $state->left);
            if ($i !== null && $piece >= $this->rules->leastPiece - 1e-9) {
                $this->lay($state, $i, $piece, $half, true, $tried, $next, -1);
            }
        }
    }

    /**
     * One more pipe, where the line and the joint before it allow.
     *
     * @param  array<int|string, LayState>  $next
     */
    private function lay(
        LayState $state,
        int $from,
        float $length,
        float $span,
        bool $isHalf,
        LayTry $tried,
        array &$next,
        int $kind,
    ): void {
        $joint = $this->line->next($state->joint, $span);
        if ($joint === null) {
            // The line goes on, and no place of it is so far away: it turns too sharply.
            if ($state->joint->chainage + Alignment::BRACKET * $span < $this->end->chainage) {
                $tried->refusedFor(null);
            }

            return;
        }
        if ($this->end->chainage - $joint->chainage <= $this->rules->closeTolerance) {
            // That ends the line: it is no way on, and whether it may the last piece says.
            return;
        }
        $straight = $joint->part === $state->joint->part && $this->line->parts()[$joint->part]->isStraight ? $joint->part : -1;
        $direction = $straight >= 0 && $straight === $state->straight && $state->last !== null
            ? $state->last
            : Direction::fromSpot($state->joint, $joint, $span);
        $angle = $state->last === null || $direction === $state->last ? 0.0 : $state->last->angleTo($direction);
        if (! $this->rules->allowsAngle($angle)) {
            $tried->refusedFor($angle);

            return;
        }
        if ($this->isOffLine($state->joint, $joint)) {
            $tried->line = true;

            return;
        }
        $tried->ways++;
        $left = $state->left;
        if ($left[$from] !== null) {
            $left[$from]--;
        }
        $stock = $this->rules->stock[$from]->length;
        $cuts = $state->cuts + ($length < $stock ? 1 : 0);
        $most = max($state->angle, $angle);
        $key = $this->key($joint, $kind, $cuts, $left);
        $there = $next[$key] ?? null;
        if ($there !== null && $there->angle <= $most) {
            return;
        }
        $next[$key] = new LayState(
            $joint,
            $direction,
            $straight,
            $this->note($state->trail, $from, $length),
            $left,
            $cuts,
            $most,
            $state->waste + $stock - $length,
            $isHalf,
        );
    }

    /** The last piece, as long as what is left. */
    private function finish(LayState $state, LayTry $tried): ?LayState
    {
        $rules = $this->rules;
        $longest = $rules->longest() + $rules->allowance + $rules->closeTolerance;
        if ($this->end->chainage - $state->joint->chainage > Alignment::BRACKET * $longest) {
            return null;
        }
        $span = $state->joint->distance($this->end);
        $rest = $span - $rules->allowance;
        $from = $cut = null;
        if (! $state->isHalved) {
            foreach ($rules->stock as $i => $pipe) {
                if ($state->left[$i] !== 0 && abs($rest - $pipe->length) <= $rules->closeTolerance + 1e-12) {
                    $from = $i;
                    break;
                }
            }
        }
        if ($from === null) {
            $cut = $rest >= $rules->leastPiece - 1e-9 ? $rules->cutFrom($rest, $state->left) : null;
            $from = $cut;
        }
        if ($from === null) {
            return null;
        }
        $direction = Direction::fromSpot($state->joint, $this->end, $span);
        $angle = $state->last?->angleTo($direction) ?? 0.0;
        if (! $rules->allowsAngle($angle)) {
            $tried->refusedFor($angle);

            return null;
        }
        $last = $rules->end === null ? 0.0 : $direction->angleTo($rules->end);
        if (! $rules->allowsAngle($last)) {
            $tried->end = true;

            return null;
        }
        if ($this->isOffLine($state->joint, $this->end)) {
            $tried->line = true;

            return null;
        }
        $tried->ways++;
        $stock = $rules->stock[$from]->length;
        $length = $cut === null ? $stock : $rest;

        return new LayState(
            $this->end,
            $direction,
            -1,
            $this->note($state->trail, $from, $length),
            $state->left,
            $state->cuts + ($cut === null ? 0 : 1),
            max($state->angle, $angle, $last),
            $state->waste + $stock - $length,
        );
    }

    /** @return int where it is written down */
    private function note(int $before, int $from, float $length): int
    {
        $this->trail[] = ($before + 1) * self::STOCKS + $from;
        $at = \count($this->trail) - 1;
        if ($length < $this->rules->stock[$from]->length) {
            $this->cut[$at] = $length;
        }

        return $at;
    }

    private function isOffLine(Spot $from, Spot $to): bool
    {
        // Where the last pipe was laid off the line the next one comes back to it: it is not held against it.
        return ! $from->isOff && $this->rules->tolerance->isLeft($this->line, $from, $to);
    }

    private function better(?LayState $a, ?LayState $b): ?LayState
    {
        if ($a === null || $b === null) {
            return $a ?? $b;
        }

        return [$b->cuts, $b->angle, $b->waste] < [$a->cuts, $a->angle, $a->waste] ? $b : $a;
    }

    private function noteStuck(LayState $state, LayTry $tried): void
    {
        if ($tried->ways > 0) {
            return;
        }
        $this->leftLine = $this->leftLine || $tried->line;
        $at = match (true) {
            $tried->angle => $state->joint->chainage,
            $tried->end => $this->end->chainage,
            default => null,
        };
        if ($at !== null && $at > ($this->stuckAt ?? -INF)) {
            $this->stuckAt = $at;
            $this->stuck = $state;
            $this->stuckAngle = $tried->least;
        }
    }

    /**
     * @param  list<LayState>  $states
     * @param  int|null  $most  pieces that may still come; more cannot be as good as what is known
     * @return list<LayState>
     */
    private function keep(array $states, ?int $most): array
    {
        $width = $this->width;
        if ($width === null && $most === null || $width !== null && \count($states) <= $width) {
            return $states;
        }
        $ranks = [];
        foreach ($states as $i => $state) {
            $left = $this->piecesLeft->from($state->joint, $state->left);
            if ($most === null || ceil($left - 1e-9) <= $most) {
                // Of those that need as many pieces the one that is further on: long pipes are laid where they fit, not saved up.
                $further = ($this->end->chainage - $state->joint->chainage) / $this->rules->longest();
                $ranks[$i] = min($left, 1e9) + self::FURTHER * $further + 1e-6 * $state->angle;
            }
        }
        if ($width !== null && \count($ranks) > $width) {
            $this->dropped = true;
            asort($ranks);
            $ranks = \array_slice($ranks, 0, $width, true);
        }

        return array_map(fn (int $i): LayState => $states[$i], array_keys($ranks));
    }

    /**
     * @param  list<int|null>  $left
     */
    private function key(Spot $joint, int $kind, int $cuts, array $left): int|string
    {
        $place = ((int) round($joint->chainage * self::CELLS_PER_M) * 128 + $kind + 1) * 4 + $cuts;
        $limited = array_filter($left, fn (?int $count): bool => $count !== null);

        return $limited === [] ? $place : $place.':'.implode(',', $limited);
    }

    /** @return list<float> m */
    private function phases(): array
    {
        $phases = [];
        $longest = $this->rules->longest();
        for ($piece = self::PHASE_STEP_M; $piece < $longest - 1e-9; $piece += self::PHASE_STEP_M) {
            if ($piece >= $this->rules->leastPiece - 1e-9) {
                $phases[] = $piece;
            }
        }

        return $phases;
    }

    private function outcome(LayState $last): LayOutcome
    {
        return new LayOutcome($this->pieces($last), $last->cuts, $last->angle, ! $this->dropped);
    }

    /** @return list<Piece> in order */
    private function pieces(LayState $last): array
    {
        $pieces = [];
        for ($at = $last->trail; $at >= 0; $at = intdiv($this->trail[$at], self::STOCKS) - 1) {
            $stock = $this->rules->stock[$this->trail[$at] % self::STOCKS]->length;
            $pieces[] = new Piece($this->cut[$at] ?? $stock, $stock);
        }

        return array_reverse($pieces);
    }

    private function cannot(): LayOutcome
    {
        $why = match (true) {
            $this->isShortOfStock() => 'stock',
            $this->stuckAt !== null => 'angle',
            $this->leftLine => 'tolerance',
            default => 'closing',
        };

        $isAngle = $why === 'angle';

        return new LayOutcome(
            $isAngle && $this->stuck !== null ? $this->pieces($this->stuck) : [],
            0,
            0.0,
            ! $this->dropped,
            $why,
            $isAngle ? $this->stuckAt : null,
            $isAngle ? $this->stuckAngle : null,
        );
    }

    private function isShortOfStock(): bool
    {
        $sum = 0.0;
        foreach ($this->rules->stock as $pipe) {
            if ($pipe->count === null) {
                return false;
            }
            $sum += $pipe->count * ($pipe->length + $this->rules->allowance);
        }

        return $sum < $this->line->trueLengthFrom($this->rules->begins($this->line)) - $this->rules->closeTolerance;
    }
}
