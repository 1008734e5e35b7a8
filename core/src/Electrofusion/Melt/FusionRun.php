<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

/** A fusion as it goes: power by the wire's own temperature, a gap that closes as the melt swells, pauses, heat along the pipe. */
final class FusionRun
{
    /** Diffusivity that the loss along the pipe is reckoned with, m²/s. */
    private const DIFFUSIVITY = 0.42 / (950 * 2300);

    private const SKIN_MELTS_C = 132.0;

    public float $time = 0.0;

    /** Second at which the pipe's skin was first molten. */
    public ?float $skinMeltedAt = null;

    public float $peak;

    private readonly float $gapAtStart;

    /** @param  list<list<float>>  $pauses  [from_s, length_s] */
    public function __construct(
        public RadialConduction $body,
        public float $gap,
        private readonly float $voltage,
        private readonly float $resistance,
        private readonly float $tcr,
        private readonly float $tRef,
        private readonly float $zone,
        private readonly float $air,
        private readonly float $hIn,
        private readonly float $hOut,
        private readonly int $edges,
        private readonly array $pauses,
    ) {
        $this->gapAtStart = $gap;
        $this->peak = $body->skin;
    }

    /** @param  float  $until  second at which power goes off */
    public function step(float $dt, float $until): void
    {
        $skin = $this->body->skin;
        $power =
            $this->time < $until - 1e-9
                ? ($this->powered($dt) * $this->voltage ** 2) /
                    ($this->resistance * (1 + $this->tcr * ($this->body->wire - $this->tRef))) /
                    $this->zone
                : 0.0;
        $along = $this->edges === 0 ? 0.0 : $this->edges / ($this->zone * 2 * sqrt(M_PI * self::DIFFUSIVITY * ($this->time + $dt / 2)));
        $this->body->advance(
            $dt,
            $power,
            $this->air,
            $this->air,
            $this->hIn,
            $this->hOut,
            FusionThermalSim::gapResistance($this->gap),
            $along,
        );
        $this->time += $dt;
        if ($this->gap > 0) {
            $this->gap = max(
                0.0,
                min($this->gap, $this->gapAtStart - FusionThermalSim::swell() * ($this->pipeMelt() + $this->fittingMelt())),
            );
        }
        $now = $this->body->skin;
        $this->peak = max($this->peak, $now);
        if ($this->skinMeltedAt === null && $now >= self::SKIN_MELTS_C) {
            $this->skinMeltedAt = $this->time - ($now > $skin ? $dt * ($now - self::SKIN_MELTS_C) / ($now - $skin) : 0.0);
        }
    }

    public function pipeMelt(): float
    {
        return $this->body->molten(0, (int) $this->body->gap);
    }

    public function fittingMelt(): float
    {
        return $this->body->molten((int) $this->body->gap, $this->body->cells);
    }

    public function coarsen(): void
    {
        $this->body = $this->body->coarser();
    }

    /** Share of the coming step that is not in a pause. */
    private function powered(float $dt): float
    {
        $off = 0.0;
        foreach ($this->pauses as [$from, $length]) {
            $off += max(0.0, min($this->time + $dt, $from + $length) - max($this->time, $from));
        }

        return max(0.0, 1 - $off / $dt);
    }
}
