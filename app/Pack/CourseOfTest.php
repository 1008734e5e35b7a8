<?php

namespace App\Pack;

use App\Support\Say;
use Diastoma\Core\Units\Display;
use Diastoma\Core\Units\Quantity;
use Diastoma\Core\Units\Unit;
use Diastoma\Core\Units\UnitSystem;

/** The log of a test on paper: pressure against time on round scales, its phases as bands, what it was held against. */
final readonly class CourseOfTest
{
    private const WIDTH = 680;

    private const HEIGHT = 330;

    private const LEFT = 60;

    private const RIGHT = 8;

    private const TOP = 34;

    private const BOTTOM = 44;

    /** More points than this nobody sees on a sheet. */
    private const POINTS = 1200;

    /**
     * @param  list<list<float>>  $samples  [min, kPa, …]
     * @param  list<array{name: string, from_min: float, to_min: float}>  $bands
     * @param  list<array{name: string, line: list<array{float, float}>}>  $limits  [min, kPa]
     * @param  \DateTimeImmutable|null  $began  minute 0 in the time of the place
     */
    public function __construct(
        private array $samples,
        private array $bands,
        private array $limits,
        private UnitSystem $units,
        private ?\DateTimeImmutable $began,
    ) {
    }

    public function draw(): Drawing
    {
        $drawing = new Drawing(self::WIDTH, self::HEIGHT);
        [$first, $last] = [$this->samples[0][0], $this->samples[\count($this->samples) - 1][0]];
        $kpa = [1.0, ...array_column($this->samples, 1), ...array_column(array_merge(...array_column($this->limits, 'line')), 1)];
        $unit = Unit::of(Quantity::Pressure, $this->units->suffix('kpa'));
        $inUnit = fn (float $kpa): float => $unit->fromSi($kpa * 1000);
        $up = RoundScale::over(0, $inUnit(max($kpa)));
        $along = RoundScale::ofMinutes($first, max($last, $first + 1));
        [$right, $foot] = [self::WIDTH - self::RIGHT, self::HEIGHT - self::BOTTOM];
        $x = fn (float $min): float => self::LEFT + ($right - self::LEFT) * ($min - $along->low) / ($along->high - $along->low);
        $y = fn (float $kpa): float => $foot - ($foot - self::TOP) * $inUnit($kpa) / $up->high;

        foreach ($this->bands as $i => $band) {
            [$from, $to] = [$x($band['from_min']), $x($band['to_min'])];
            if ($i % 2 === 0) {
                $drawing->rect($from, self::TOP, $to - $from, $foot - self::TOP, Drawing::BAND);
            }
            $drawing->line([[$from, self::TOP - 12], [$from, $foot]], Drawing::FAINT, 0.7);
            $said = ($i + 1).' '.$band['name'];
            // Two that are narrow stand above one another.
            $drawing->text($from + 3, self::TOP - 7 - 13 * ($i % 2), Drawing::widthOf($said) < $to - $from ? $said : (string) ($i + 1));
        }
        foreach ($up->ticks() as $tick) {
            $at = $foot - ($foot - self::TOP) * $tick / $up->high;
            $drawing->line([[self::LEFT, $at], [$right, $at]], Drawing::RULE, 0.6)->text(self::LEFT - 5, $at, $up->text($tick), 'right');
        }
        $drawing->text(2, self::TOP - 20, $unit->symbol, 'left', true);
        foreach ($along->ticks() as $tick) {
            $drawing->line([[$x($tick), $foot], [$x($tick), $foot + 4]], Drawing::FAINT, 0.8);
            $drawing->text($x($tick), $foot + 12, $along->text($tick), 'center');
            if ($this->began !== null) {
                $clock = $this->began->modify('+'.(int) round(60 * $tick).' seconds')->format('H:i');
                $drawing->text($x($tick), $foot + 26, $clock, 'center', false, Drawing::FAINT);
            }
        }
        $drawing->text(2, $foot + 12, Say::text('pack.minute'), 'left', true);
        if ($this->began !== null) {
            $drawing->text(2, $foot + 26, Say::text('pack.clock'), 'left', true, Drawing::FAINT);
        }
        foreach ($this->limits as $limit) {
            $drawing->line(array_map(fn (array $p) => [$x($p[0]), $y($p[1])], $limit['line']), Drawing::INK, 1.0, '5 3');
            [$from, $held] = $limit['line'][0];
            [$end, $atEnd] = $limit['line'][\count($limit['line']) - 1];
            $said = $limit['name'].', '.Display::value('p_kpa', $atEnd, null, $this->units);
            // Beside the course, on the side on which it is not.
            $on = $y($held) + ($held >= 0.99 * $this->pressureAt($end) ? -8 : 10);
            $isLate = $x($from) + Drawing::widthOf($said) > $right;
            $drawing->text($isLate ? $right : $x($from) + 4, $on, $said, $isLate ? 'right' : 'left');
        }
        $drawing->line(array_map(fn (array $s) => [$x($s[0]), $y($s[1])], $this->thinned()), Drawing::INK, 1.5);

        return $drawing->line([[self::LEFT, self::TOP], [self::LEFT, $foot], [$right, $foot]], Drawing::INK, 1.0);
    }

    private function pressureAt(float $minute): float
    {
        foreach ($this->samples as $sample) {
            if ($sample[0] >= $minute) {
                return $sample[1];
            }
        }

        return $this->samples[\count($this->samples) - 1][1];
    }

    /**
     * The lowest and the highest of each piece: what is short is seen too.
     *
     * @return list<list<float>>
     */
    private function thinned(): array
    {
        $piece = (int) ceil(2 * \count($this->samples) / self::POINTS);
        if ($piece <= 1) {
            return $this->samples;
        }
        $thin = [];
        foreach (array_chunk($this->samples, $piece) as $chunk) {
            usort($chunk, fn (array $a, array $b) => $a[1] <=> $b[1]);
            $ends = [$chunk[0], $chunk[\count($chunk) - 1]];
            usort($ends, fn (array $a, array $b) => $a[0] <=> $b[0]);
            array_push($thin, ...$ends);
        }

        return $thin;
    }
}
