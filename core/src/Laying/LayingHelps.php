<?php

declare(strict_types=1);

namespace Diastoma\Core\Laying;

use Diastoma\Core\Refused;

/**
 * What would help where a line cannot be laid out: each help is tried on the line, and says what it costs. One that is not enough
 * says so; what would change the line itself is worked out, not tried.
 */
final readonly class LayingHelps
{
    /** Shorter pipes are cut in steps of so many metres. */
    private const STEP_M = 0.5;

    /** Stock bends, degrees. */
    private const BENDS = [11.25, 22.5, 45.0, 90.0];

    /** What a bend is taken to reach from its centre until somebody says it, in its own diameters, and at least, m. */
    private const LEG_OF_OD = 1.0;

    private const LEAST_LEG_M = 0.2;

    /**
     * @param  float  $limit  largest angle of a joint, degrees, of which the rules use a share
     * @param  list<PlacedBend>  $bends  that are set already
     * @param  float|null  $od  m
     */
    public function __construct(
        private Alignment $line,
        private LayingRules $rules,
        private float $limit,
        private array $bends = [],
        private ?float $od = null,
    ) {
    }

    /** @return list<LayingHelp> those that are enough first, of them the one with the fewest pieces */
    public function to(LayOutcome $outcome): array
    {
        $helps = match ($outcome->why) {
            null => [],
            'stock' => [$this->morePipes()],
            'closing' => [$this->shorterClosing()],
            'angle' => $this->atCorner((float) $outcome->failsAt),
            default => [$this->wholeLimit(), $this->shorterPipes(null), $this->cutsWithin()],
        };
        $helps = array_values(array_filter($helps));
        $order = fn (LayingHelp $help): array => [$help->isEnough !== true, $help->isEnough === false, $help->pieces, $help->kind];
        usort($helps, fn (LayingHelp $a, LayingHelp $b): int => $order($a) <=> $order($b));

        return $helps;
    }

    /** @return list<LayingHelp|null> */
    private function atCorner(float $chainage): array
    {
        return [
            $this->wholeLimit(), $this->shorterPipes($chainage), $this->cutsWithin(), $this->bend($chainage), $this->widerCurve($chainage),
        ];
    }

    private function wholeLimit(): ?LayingHelp
    {
        if ($this->limit <= $this->rules->mostAngle + 1e-9) {
            return null;
        }

        return $this->tried('whole-limit', $this->rules->with(mostAngle: $this->limit), []);
    }

    private function shorterPipes(?float $chainage): ?LayingHelp
    {
        $says = (new WhereItFails($this->line, $this->rules))->says($chainage);
        $lengths = array_map(fn (StockPipe $pipe): float => $pipe->length, $this->rules->stock);
        $longest = $says['longest_pipe_m'] ?? min($lengths) / 2;
        $length = floor(min($longest, min($lengths) - self::STEP_M) / self::STEP_M + 1e-9) * self::STEP_M;
        if ($length < max(self::STEP_M, $this->rules->leastPiece - 1e-9)) {
            return null;
        }
        $rules = $this->rules->with(stock: [...$this->rules->stock, new StockPipe($length)]);

        return $this->tried('shorter-pipes', $rules, ['length_m' => $length]);
    }

    private function cutsWithin(): ?LayingHelp
    {
        return $this->rules->phaseCuts ? null : $this->tried('cuts-within', $this->rules->with(phaseCuts: true), []);
    }

    /** A bend in a corner: the line is laid to it and on from it, and its two joints share the rest of the angle. */
    private function bend(float $chainage): ?LayingHelp
    {
        [$at, $turn] = $this->line->sharpestCorner($chainage - 1e-6, $chainage + $this->rules->longest() + $this->rules->allowance);
        if ($turn < SetBend::CORNER_DEG || $at <= $this->line->from() || $at >= $this->line->to()) {
            return null;
        }
        $bend = array_reduce(
            self::BENDS,
            fn (float $best, float $bend): float => abs($turn - $bend) < abs($turn - $best) ? $bend : $best,
            self::BENDS[0],
        );
        $leg = max(self::LEAST_LEG_M, round(self::LEG_OF_OD * (float) $this->od, 2));
        $figures = ['bend_deg' => $bend, 'at_m' => $at, 'leg_m' => $leg, 'residual_deg' => abs($turn - $bend)];

        return $this->tried('bend', $this->rules, $figures, [...$this->bends, new PlacedBend($at, $bend, $leg)]);
    }

    /** The curve with the radius that the longest pipe needs: how far the line would move in its middle. */
    private function widerCurve(float $chainage): ?LayingHelp
    {
        $needed = (new WhereItFails($this->line, $this->rules))->says($chainage)['needed_radius_m'];
        $curve = $this->line->curveAt($chainage, $this->rules->longest());
        if ($needed === null || $curve === null || $needed <= $curve['radius_m']) {
            return null;
        }
        $half = deg2rad(min(170.0, $curve['turn_deg'])) / 2;

        return new LayingHelp('wider-curve', null, [
            'radius_m' => $needed,
            'moves_m' => ($needed - $curve['radius_m']) * (1 / cos($half) - 1),
            'longer_by_m' => ($needed - $curve['radius_m']) * tan($half),
        ]);
    }

    private function morePipes(): LayingHelp
    {
        $there = array_sum(array_map(
            fn (StockPipe $pipe): float => (float) $pipe->count * ($pipe->length + $this->rules->allowance),
            $this->rules->stock,
        ));
        $short = $this->line->trueLengthFrom($this->rules->begins($this->line)) - $there;
        $each = $this->rules->longest();
        $more = (int) ceil(($short - $this->rules->closeTolerance) / ($each + $this->rules->allowance) - 1e-9);

        return new LayingHelp('more-pipes', null, ['short_m' => $short, 'length_m' => $each, 'count' => max(1, $more)]);
    }

    private function shorterClosing(): ?LayingHelp
    {
        $least = LayingRules::LEAST_PIECE_M;
        if ($this->rules->leastPiece <= $least + 1e-9) {
            return null;
        }
        $help = $this->tried('shorter-closing', $this->rules->with(leastPiece: $least), ['length_m' => $least]);

        return $help->isEnough ? $help : null;
    }

    /**
     * @param  array<string, float|int|null>  $figures
     * @param  list<PlacedBend>|null  $bends
     */
    private function tried(string $kind, LayingRules $rules, array $figures, ?array $bends = null): LayingHelp
    {
        try {
            $plan = (new LayRoute($this->line, $rules, $bends ?? $this->bends))->likely()->outcome();
        } catch (Refused) {
            // No room for it; or so many pieces that nobody waits for the plan: no help.
            return new LayingHelp($kind, false, $figures);
        }
        if (! $plan->isFeasible()) {
            return new LayingHelp($kind, false, $figures);
        }
        if (isset($figures['length_m'])) {
            $figures['count'] = \count(array_filter($plan->pieces, fn (Piece $piece): bool => $piece->stock === $figures['length_m']));
        }

        return new LayingHelp($kind, true, $figures, \count($plan->pieces), $plan->cuts, $plan->angle);
    }
}
