<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** How far a pipe may lie off the line, each in m; null: nobody has said. */
final readonly class Tolerance
{
    private const SLACK_M = 1e-9;

    /**
     * @param  float|null  $barrel  in space
     * @param  float|null  $side  in plan, square to the pipe
     * @param  float|null  $level  at the same place
     */
    public function __construct(public ?float $barrel = null, public ?float $side = null, public ?float $level = null)
    {
    }

    /** Does a pipe that lies straight between two places leave the line by more? */
    public function isLeft(Alignment $line, Spot $from, Spot $to): bool
    {
        if ($this->barrel === null && $this->side === null && $this->level === null) {
            return false;
        }
        $most = $line->offBarrelAtMost($from, $to);
        // Sideways and square to the pipe it leaves it by no more; upright by as much more as the pipe is steep.
        $upright = $most * $from->distance($to) / max(1e-9, hypot($to->east - $from->east, $to->north - $from->north));
        if ($most <= min($this->barrel ?? INF, $this->side ?? INF) && $upright <= ($this->level ?? INF)) {
            return false;
        }
        $off = $line->off($from, $to);

        return $off->metres > ($this->barrel ?? INF) + self::SLACK_M
            || $off->side > ($this->side ?? INF) + self::SLACK_M
            || $off->level > ($this->level ?? INF) + self::SLACK_M;
    }
}
