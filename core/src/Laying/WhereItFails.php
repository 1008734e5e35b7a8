<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Gasketed\TurnJoints;

/** At the joint that no pipe can leave: how sharply the line turns there, and what would follow it. */
final readonly class WhereItFails
{
    public function __construct(private Alignment $line, private LayingRules $rules)
    {
    }

    /**
     * @param  float|null  $chainage  m; null: it fails nowhere, or not for an angle
     * @return array{
     *     fail_turn_deg: float|null, longest_pipe_m: float|null, needed_radius_m: float|null, bends_deg: list<float>|null,
     *     residual_deg: float|null
     * } `longest_pipe_m` and `needed_radius_m` only of a curve, bends only of a turn
     */
    public function says(?float $chainage): array
    {
        if ($chainage === null) {
            return array_fill_keys(['fail_turn_deg', 'longest_pipe_m', 'needed_radius_m', 'bends_deg', 'residual_deg'], null);
        }
        $span = $this->rules->longest() + $this->rules->allowance;
        $most = $this->rules->mostAngle;
        $turn = $this->turn($chainage, $span);
        $radius = $this->radius($chainage, $span);
        $half = sin(deg2rad($most) / 2);
        $bends = $turn < 1e-6 ? null : (new TurnJoints)($turn, $most, 1.0, 1.0);

        return [
            'fail_turn_deg' => $turn,
            'longest_pipe_m' => $radius === null ? null : 2 * $radius * $half - $this->rules->allowance,
            'needed_radius_m' => $radius === null ? null : $span / (2 * $half),
            'bends_deg' => $bends['bends_deg'] ?? null,
            'residual_deg' => $bends['residual_deg'] ?? null,
        ];
    }

    /** Radius of the sharpest curve that a pipe there lies in, m, in space; null: none curves, a corner alone stops it. */
    private function radius(float $chainage, float $span): ?float
    {
        $sharpest = null;
        foreach ($this->line->parts() as $part) {
            $touches = $part->to > $chainage - 1e-6 && $part->from < $chainage + $span;
            $curvature = hypot($part->curvature(), $part->bend());
            if ($touches && $curvature > 0) {
                $sharpest = max($sharpest ?? 0.0, $curvature);
            }
        }

        if ($sharpest !== null) {
            return 1 / $sharpest;
        }

        return $this->line->curveAt($chainage + $span / 2, $span)['radius_m'] ?? null;
    }

    /** How far the line turns from a pipe before that joint to one behind it, degrees. */
    private function turn(float $chainage, float $span): float
    {
        $from = $this->line->directionAt(max($this->line->from(), $chainage - 1e-6));

        return $from->angleTo($this->line->directionAt(min($this->line->to(), $chainage + $span)));
    }
}
