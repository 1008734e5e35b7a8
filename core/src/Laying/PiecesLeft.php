<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** No fewer pieces than this lead from a joint to the end of the line: by the straight way there, and by the line's own length. */
final readonly class PiecesLeft
{
    private Spot $end;

    /** How much of the line a metre of pipe covers at most. */
    private float $covers;

    public function __construct(private Alignment $line, private LayingRules $rules)
    {
        $this->end = $line->end();
        $this->covers = $line->coversAtMost($rules->longest() + $rules->allowance);
    }

    /**
     * @param  list<int|null>  $left  of each length
     * @return float not rounded up; INF: not with what is left
     */
    public function from(Spot $joint, array $left): float
    {
        $distance = max($joint->distance($this->end), $this->line->trueLengthFrom($joint) / $this->covers);

        return $this->rules->piecesLeft($distance, $left);
    }

    /** Of the whole line, in whole pieces. */
    public function ofAll(): float
    {
        return ceil($this->from($this->rules->begins($this->line), $this->rules->counts()) - 1e-9);
    }
}
