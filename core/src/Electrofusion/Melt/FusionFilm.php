<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

use Diastoma\Core\Units\Si;

/** Pictures of a fusion as it goes: temperatures along the radius, and a few figures over time for the chart. */
final class FusionFilm
{
    private const MOST_RADII = 60;

    /** @var list<float> m */
    private array $radii = [];

    /** @var list<list<float>> */
    private array $film = [];

    /** @var list<list<float>> */
    private array $history = [];

    private int $taken = 0;

    private float $cooling = 0.0;

    public function __construct(RadialConduction $body, private readonly int $frames)
    {
        if ($frames > 0) {
            $step = max(1, (int) ceil($body->cells / self::MOST_RADII));
            for ($i = 0; $i < $body->cells; $i += $step) {
                $this->radii[] = $body->centre($i);
            }
        }
    }

    public function during(FusionRun $run, float $fusing): void
    {
        if ($this->frames > 0 && $run->time >= $fusing * ($this->taken + 1) / $this->frames - 1e-6) {
            $this->taken++;
            $this->take($run);
        }
    }

    /** How long a cooling the pictures are spread over, s. */
    public function coolsFor(float $seconds): void
    {
        $this->cooling = $seconds;
    }

    /** The first minutes of cooling change fastest: pictures come at times that grow like a square. */
    public function whileCooling(FusionRun $run, float $fusing): void
    {
        $at = $this->taken - $this->frames + 1;
        if ($this->frames > 0 && $run->time - $fusing >= $this->cooling * ($at / $this->frames) ** 2) {
            $this->taken++;
            $this->take($run);
        }
    }

    public function take(FusionRun $run): void
    {
        if ($this->frames === 0) {
            return;
        }
        $this->film[] = [round($run->time, 2), ...array_map(fn (float $r) => round($run->body->at($r), 1), $this->radii)];
        $this->history[] = [
            round($run->time, 2), round($run->body->skin, 2), round($run->body->wire, 2),
            round(Si::mm($run->pipeMelt()), 3), round(Si::mm($run->fittingMelt()), 3), round(Si::mm($run->gap), 3),
        ];
    }

    /** @return array<string, mixed> history rows are [s, °C skin, °C wire, mm melt of the pipe, mm melt of the coupling, mm gap] */
    public function pictures(): array
    {
        return ['history' => $this->history, 'film_r_mm' => array_map(Si::mm(...), $this->radii), 'film' => $this->film];
    }
}
