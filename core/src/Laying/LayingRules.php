<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** By what a line is laid out: the pipes to hand and what joints and cuts may do. */
final readonly class LayingRules
{
    /** Angles are held against the limit with so much slack, degrees: what is left over of coordinates. */
    private const SLACK_DEG = 1e-6;

    /** Shorter than this nobody cuts a piece, m. */
    public const LEAST_PIECE_M = 0.3;

    /** @var non-empty-list<StockPipe> longest first */
    public array $stock;

    /**
     * @param  non-empty-list<StockPipe>  $stock
     * @param  float  $mostAngle  degrees, the share that is used already taken
     * @param  float  $leastPiece  m
     * @param  float  $allowance  m that the gap at a joint adds to each pipe
     * @param  float  $closeTolerance  m, misfit at the end that the joints take up
     * @param  Spot|null  $from  where the last pipe ends that is laid; null: at the beginning of the line
     * @param  Tolerance  $tolerance  that a pipe may lie off the line
     */
    public function __construct(
        array $stock,
        public float $mostAngle,
        public float $leastPiece,
        public float $allowance = 0.0,
        public float $closeTolerance = 0.02,
        public ?Direction $start = null,
        public ?Direction $end = null,
        public Tolerance $tolerance = new Tolerance,
        public bool $phaseCuts = false,
        public ?Spot $from = null,
    ) {
        usort($stock, fn (StockPipe $a, StockPipe $b): int => $b->length <=> $a->length);
        $this->stock = $stock;
    }

    /**
     * The same with some of it said otherwise; what is left out stays.
     *
     * @param  non-empty-list<StockPipe>|null  $stock
     */
    public function with(?array $stock = null, ?float $mostAngle = null, ?float $leastPiece = null, bool $phaseCuts = false): self
    {
        return new self(
            $stock ?? $this->stock,
            $mostAngle ?? $this->mostAngle,
            $leastPiece ?? $this->leastPiece,
            $this->allowance,
            $this->closeTolerance,
            $this->start,
            $this->end,
            $this->tolerance,
            $phaseCuts || $this->phaseCuts,
            $this->from,
        );
    }

    /**
     * The same for a part of the line, with what is left of the stock, and what must be met at either end of it.
     *
     * @param  non-empty-list<StockPipe>  $stock
     */
    public function ofPart(array $stock, ?Direction $start, ?Direction $end, ?Spot $from): self
    {
        return new self(
            $stock,
            $this->mostAngle,
            $this->leastPiece,
            $this->allowance,
            $this->closeTolerance,
            $start,
            $end,
            $this->tolerance,
            $this->phaseCuts,
            $from,
        );
    }

    public function begins(Alignment $line): Spot
    {
        return $this->from ?? $line->spotAt($line->from());
    }

    public function allowsAngle(float $degrees): bool
    {
        return $degrees <= $this->mostAngle + self::SLACK_DEG;
    }

    public function longest(): float
    {
        return $this->stock[0]->length;
    }

    /** @return list<int|null> how many of each length there are, longest first; null: plenty */
    public function counts(): array
    {
        return array_map(fn (StockPipe $pipe): ?int => $pipe->count === null ? null : (int) $pipe->count, $this->stock);
    }

    /**
     * The shortest pipe that a piece can be cut from.
     *
     * @param  list<int|null>  $left  of each length
     */
    public function cutFrom(float $piece, array $left): ?int
    {
        for ($i = \count($this->stock) - 1; $i >= 0; $i--) {
            if ($left[$i] !== 0 && $this->stock[$i]->length > $piece) {
                return $i;
            }
        }

        return null;
    }

    /**
     * No fewer pieces than this are left to lay, were the line straight from here on.
     *
     * @param  list<int|null>  $left  of each length
     * @return float INF: not with what is left
     */
    public function piecesLeft(float $distance, array $left): float
    {
        $distance -= $this->closeTolerance;
        $pieces = 0.0;
        foreach ($this->stock as $i => $pipe) {
            $each = $pipe->length + $this->allowance;
            $count = $left[$i];
            if ($count === null || $count * $each >= $distance) {
                return $pieces + max(0.0, $distance / $each);
            }
            $pieces += $count;
            $distance -= $count * $each;
        }

        return $distance <= 0 ? $pieces : INF;
    }
}
