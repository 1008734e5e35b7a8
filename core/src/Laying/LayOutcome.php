<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

/** What came of laying out a line: the pieces, or why and where it cannot be done. */
final readonly class LayOutcome
{
    /**
     * @param  list<Piece>  $pieces  in order; where it cannot be done, those up to the joint that no pipe could leave
     * @param  float  $angle  greatest of all joints, degrees
     * @param  bool  $isProved  no plan with fewer pieces exists, or none at all; false: only the more likely ways were looked at
     * @param  string|null  $why  stock, angle, tolerance, closing; null: it can be done
     * @param  float|null  $failAngle  by how much that joint would have to turn, degrees; null: no pipe reaches on from there
     * @param  float|null  $failsAt  chainage, m, of the furthest joint that no pipe could leave
     */
    public function __construct(
        public array $pieces,
        public int $cuts,
        public float $angle,
        public bool $isProved,
        public ?string $why = null,
        public ?float $failsAt = null,
        public ?float $failAngle = null,
    ) {
    }

    public function isFeasible(): bool
    {
        return $this->why === null;
    }
}
