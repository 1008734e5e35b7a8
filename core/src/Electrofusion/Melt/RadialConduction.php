<?php

declare(strict_types=1);

namespace Diastoma\Core\Electrofusion\Melt;

/**
 * Heat flowing along the radius of a pipe inside a coupling, with melting: explicit finite volumes, per metre of length.
 *
 * Cells run from the bore outwards. One face may be a gap (a resistance between its two cells), one may hold the
 * heating wire as a thin hot plane. Energy is kept: what the wire gives is what is stored and what leaves.
 */
final class RadialConduction
{
    /** @var list<float> °C, cell by cell */
    public array $temperature;

    /** @var list<float> J/kg */
    public array $enthalpy;

    /** °C of the wire plane, of the pipe's skin and of the coupling's bore at the last step. */
    public float $wire;

    public float $skin;

    public float $bore;

    /** J/m given by the wire, and lost inwards, outwards and along the pipe since the start. */
    public float $given = 0.0;

    public float $lost = 0.0;

    /** @var list<float> m² of section, that is m³ per metre */
    private array $section;

    /** @var list<float> ln(centre/inner face), ln(outer face/centre) */
    private array $inner;

    /** @var list<float> */
    private array $outer;

    public readonly int $cells;

    public readonly float $thinnest;

    /**
     * @param  list<array{float, float}>  $shells  inner and outer radius of each cell, m, growing
     * @param  list<float>  $temperature  °C of each cell at the start
     * @param  int|null  $gap  the first cell of the coupling, with the gap between it and the pipe
     * @param  int|null  $wirePlane  the first cell outside the wire
     */
    public function __construct(
        public readonly MeltingSolid $solid,
        public readonly array $shells,
        array $temperature,
        public readonly ?int $gap = null,
        public readonly ?int $wirePlane = null,
    ) {
        $this->cells = \count($shells);
        $thinnest = INF;
        foreach ($shells as [$ri, $ro]) {
            $centre = ($ri + $ro) / 2;
            $this->section[] = M_PI * ($ro ** 2 - $ri ** 2);
            $this->inner[] = log($centre / $ri);
            $this->outer[] = log($ro / $centre);
            $thinnest = min($thinnest, $ro - $ri);
        }
        $this->thinnest = $thinnest;
        $this->temperature = $temperature;
        $this->enthalpy = array_map($solid->enthalpy(...), $temperature);
        $this->wire = $wirePlane === null ? NAN : ($temperature[$wirePlane - 1] + $temperature[$wirePlane]) / 2;
        $this->skin = $gap === null ? NAN : $temperature[$gap - 1];
        $this->bore = $gap === null ? NAN : $temperature[$gap];
    }

    /** Longest step that stays stable, s. */
    public function longestStep(): float
    {
        return (0.4 * $this->solid->density * $this->solid->heat * $this->thinnest ** 2) /
            (2 * max($this->solid->conductivityCold, $this->solid->conductivityHot));
    }

    /**
     * One step. The wire's power may depend on its own temperature: it is that of the step before.
     *
     * @param  float  $dt  s
     * @param  float  $power  W per metre into the wire plane
     * @param  float  $inside  °C in the bore of the pipe
     * @param  float  $outside  °C round the coupling
     * @param  float  $hInside  W/(m²·K)
     * @param  float  $hOutside  W/(m²·K)
     * @param  float  $gapResistance  m²·K/W at the face between pipe and coupling
     * @param  float  $along  1/m² : loss along the pipe, per conductivity and kelvin over $outside; see {@see FusionThermalSim}
     */
    public function advance(
        float $dt,
        float $power,
        float $inside,
        float $outside,
        float $hInside,
        float $hOutside,
        float $gapResistance = 0.0,
        float $along = 0.0,
    ): void {
        $solid = $this->solid;
        $t = $this->temperature;
        $n = $this->cells;
        [$cold, $hot, $coldAt, $hotAt] = [$solid->conductivityCold, $solid->conductivityHot, $solid->coldAt, $solid->meltTo];
        $slope = ($hot - $cold) / ($hotAt - $coldAt);
        $k = [];
        foreach ($t as $celsius) {
            $k[] = $celsius <= $coldAt ? $cold : ($celsius >= $hotAt ? $hot : $cold + $slope * ($celsius - $coldAt));
        }
        $twoPi = 2 * M_PI;
        // Heat into each cell, W/m.
        $in = [];
        $flow = $twoPi * ($inside - $t[0]) / (1 / ($hInside * $this->shells[0][0]) + $this->inner[0] / $k[0]);
        $through = -$flow;
        [$inner, $outer, $gap, $plane] = [$this->inner, $this->outer, $this->gap, $this->wirePlane];
        for ($i = 0, $last = $n - 1; $i < $last; $i++) {
            $right = $i + 1;
            if ($right === $plane) {
                $toLeft = $twoPi * $k[$i] / $outer[$i];
                $toRight = $twoPi * $k[$right] / $inner[$right];
                $this->wire = ($power + $toLeft * $t[$i] + $toRight * $t[$right]) / ($toLeft + $toRight);
                $in[] = $flow + $toLeft * ($this->wire - $t[$i]);
                $flow = $toRight * ($this->wire - $t[$right]);

                continue;
            }
            $resistance = $outer[$i] / $k[$i] + $inner[$right] / $k[$right];
            if ($right === $gap) {
                $resistance += $gapResistance / $this->shells[$i][1];
            }
            $next = $twoPi * ($t[$i] - $t[$right]) / $resistance;
            if ($right === $gap) {
                $this->skin = $t[$i] - $next * $outer[$i] / ($twoPi * $k[$i]);
                $this->bore = $t[$right] + $next * $inner[$right] / ($twoPi * $k[$right]);
            }
            $in[] = $flow - $next;
            $flow = $next;
        }
        $out = $twoPi * ($t[$n - 1] - $outside) / (1 / ($hOutside * $this->shells[$n - 1][1]) + $outer[$n - 1] / $k[$n - 1]);
        $in[] = $flow - $out;
        $through += $out;
        [$density, $heat, $heatMelt, $meltFrom, $meltTo] = [
            $solid->density,
            $solid->heat,
            $solid->heatMelt,
            $solid->meltFrom,
            $solid->meltTo,
        ];
        [$solidus, $liquidus, $meltingSlope] = [$solid->solidus, $solid->liquidus, $solid->meltingSlope];
        $h = $this->enthalpy;
        foreach ($in as $i => $gain) {
            if ($along > 0.0) {
                $leak = $along * $k[$i] * $this->section[$i] * ($t[$i] - $outside);
                $gain -= $leak;
                $through += $leak;
            }
            $e = $h[$i] += ($gain * $dt) / ($density * $this->section[$i]);
            $t[$i] =
                $e <= $solidus
                    ? $e / $heat
                    : ($e < $liquidus
                        ? $meltFrom + ($e - $solidus) / $meltingSlope
                        : $meltTo + ($e - $liquidus) / $heatMelt);
        }
        $this->enthalpy = array_values($h);
        $this->temperature = array_values($t);
        $this->given += $power * $dt;
        $this->lost += $through * $dt;
    }

    /** Thickness that is molten between two faces, m: molten share times thickness of each cell. */
    public function molten(int $from, int $to): float
    {
        $melt = 0.0;
        for ($i = $from; $i < $to; $i++) {
            $melt += $this->solid->molten($this->enthalpy[$i]) * ($this->shells[$i][1] - $this->shells[$i][0]);
        }

        return $melt;
    }

    /** Heat held above 0 °C, J per metre. */
    public function stored(): float
    {
        $sum = 0.0;
        foreach ($this->enthalpy as $i => $h) {
            $sum += $this->solid->density * $this->section[$i] * $h;
        }

        return $sum;
    }

    /** The same state on cells of about twice the width, its heat kept: cooling is slow and needs no fine mesh. */
    public function coarser(): self
    {
        $shells = [];
        $held = [];
        $mapped = [];
        for ($i = 0; $i < $this->cells; $i = $outer + 1) {
            $mapped[$i] = \count($shells);
            // Two cells become one unless gap or wire lies between them.
            $two = $i + 1 < $this->cells && $i + 1 !== $this->gap && $i + 1 !== $this->wirePlane;
            [$inner, $outer] = [$i, $two ? $i + 1 : $i];
            $shells[] = [$this->shells[$inner][0], $this->shells[$outer][1]];
            $section = $this->section[$inner] + ($two ? $this->section[$outer] : 0.0);
            $held[] =
                ($this->section[$inner] * $this->enthalpy[$inner] + ($two ? $this->section[$outer] * $this->enthalpy[$outer] : 0.0)) /
                $section;
        }
        $coarse = new self(
            $this->solid,
            $shells,
            array_map($this->solid->temperature(...), $held),
            $this->gap === null ? null : $mapped[$this->gap],
            $this->wirePlane === null ? null : $mapped[$this->wirePlane],
        );
        $coarse->enthalpy = $held;
        [$coarse->wire, $coarse->skin, $coarse->bore, $coarse->given, $coarse->lost] = [
            $this->wire,
            $this->skin,
            $this->bore,
            $this->given,
            $this->lost,
        ];

        return $coarse;
    }

    /** Radius of the middle of a cell, m. */
    public function centre(int $cell): float
    {
        return ($this->shells[$cell][0] + $this->shells[$cell][1]) / 2;
    }

    /** °C at a radius, straight between the middles of cells of one body. */
    public function at(float $radius): float
    {
        $cell = 0;
        while ($cell < $this->cells - 1 && $radius > $this->shells[$cell][1]) {
            $cell++;
        }
        $other = $radius < $this->centre($cell) ? $cell - 1 : $cell + 1;
        if ($other < 0 || $other >= $this->cells || max($cell, $other) === $this->gap) {
            return $this->temperature[$cell];
        }
        [$here, $there] = [$this->centre($cell), $this->centre($other)];

        return $this->temperature[$cell] + ($radius - $here) / ($there - $here) * ($this->temperature[$other] - $this->temperature[$cell]);
    }
}
