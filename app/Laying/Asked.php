<?php

namespace App\Laying;

use Diastoma\Core\Laying\PlacedBend;
use Diastoma\Core\Laying\StockPipe;
use Diastoma\Core\Laying\Tolerance;

/** What a laying plan is asked to keep to. */
final readonly class Asked
{
    /**
     * @param  non-empty-list<array{length_m: float, count: int|null}>  $stock
     * @param  float  $limit  largest angle of a joint, degrees
     * @param  string|null  $limitSource  who says so, where the procedure does not
     * @param  float  $share  of the limit that is used
     * @param  float  $leastPiece  m
     * @param  float  $allowance  gap kept at a joint, m
     * @param  Tolerance  $tolerance  that a pipe may lie off the line
     * @param  float  $offRight  the last pipe lies so far to the right of the line, m
     * @param  float  $offUp  and so far above it, m
     * @param  list<array{at_m: float, bend_deg: float, leg_m: float}>  $bends  set into corners of the line
     * @param  list<array{at_m: float, level_m: float}>  $ground  along the line, rising; empty: nobody says where it is
     * @param  float|null  $leastCover  over the crown, m
     * @param  float|null  $groundU  the ground is known to within, m, k = 2
     */
    public function __construct(
        public array $stock,
        public float $limit,
        public ?string $limitSource,
        public float $share,
        public float $leastPiece,
        public float $allowance,
        public Tolerance $tolerance,
        public bool $phaseCuts,
        public float $offRight,
        public float $offUp,
        public array $bends,
        public array $ground = [],
        public ?float $leastCover = null,
        public ?float $groundU = null,
    ) {
    }

    /** @return non-empty-list<StockPipe> */
    public function stock(): array
    {
        return array_map(
            fn (array $row): StockPipe => new StockPipe($row['length_m'], $row['count'] === null ? null : (float) $row['count']),
            $this->stock,
        );
    }

    /** @return list<PlacedBend> */
    public function bends(): array
    {
        return array_map(fn (array $row): PlacedBend => new PlacedBend($row['at_m'], $row['bend_deg'], $row['leg_m']), $this->bends);
    }

    /** @return array<string, mixed> as it is kept and sent */
    public function toArray(): array
    {
        return [
            'stock' => $this->stock,
            'max_joint_angle_deg' => $this->limit,
            'limit_source' => $this->limitSource,
            'working_share' => $this->share,
            'min_piece_m' => $this->leastPiece,
            'joint_allowance_m' => $this->allowance,
            'barrel_tol_m' => $this->tolerance->barrel,
            'side_tol_m' => $this->tolerance->side,
            'level_tol_m' => $this->tolerance->level,
            'allow_phase_cuts' => $this->phaseCuts,
            'off_right_m' => $this->offRight,
            'off_up_m' => $this->offUp,
            'bends' => $this->bends,
            'ground' => $this->ground,
            'least_cover_m' => $this->leastCover,
            'ground_u_m' => $this->groundU,
        ];
    }
}
