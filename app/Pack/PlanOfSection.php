<?php

namespace App\Pack;

use App\Support\Say;
use Diastoma\Core\Laying\CentreLine;

/** A section from above, true to scale: its course, its joints, where the gauge stands; north is up. */
final readonly class PlanOfSection
{
    private const WIDTH = 680;

    private const HEIGHT = 270;

    private const EDGE = 34;

    /**
     * @param  non-empty-list<float>  $chainages  of the bends and ends, rising
     * @param  list<float>  $joints  chainages
     * @param  float|null  $gauge  chainage; null: the plan asks nothing of a gauge
     * @param  \Closure(float): string  $length  as it is read
     */
    public function __construct(
        private CentreLine $line,
        private array $chainages,
        private array $joints,
        private ?float $gauge,
        private \Closure $length,
    ) {
    }

    public function draw(): Drawing
    {
        $drawing = new Drawing(self::WIDTH, self::HEIGHT);
        $at = fn (float $chainage): array => [$this->line->at($chainage)[0], $this->line->at($chainage)[1]];
        $points = array_map($at, $this->chainages);
        $east = array_map(fn (array $p) => $p[0], $points);
        $north = array_map(fn (array $p) => $p[1], $points);
        $wide = max(1.0, max($east) - min($east));
        $high = max(1.0, max($north) - min($north));
        $px = min((self::WIDTH - 2 * self::EDGE) / $wide, (self::HEIGHT - 2 * self::EDGE) / $high);
        $place = fn (array $p): array => [
            (self::WIDTH - $wide * $px) / 2 + ($p[0] - min($east)) * $px,
            (self::HEIGHT + $high * $px) / 2 - ($p[1] - min($north)) * $px,
        ];
        $drawing->line(array_map($place, $points), Drawing::WATER, 4);
        foreach ($this->joints as $joint) {
            [$x, $y] = $place($at($joint));
            $drawing->dot($x, $y, 2.4, '#ffffff');
        }
        $last = \count($points) - 1;
        foreach ([[0, 1], [$last, $last - 1]] as [$end, $before]) {
            [$x, $y] = self::beyond($place($points[$end]), $place($points[$before]));
            $drawing->text($x, $y, ($this->length)($this->chainages[$end]), 'center', true);
        }
        if ($this->gauge !== null) {
            [$x, $y] = $place($at($this->gauge));
            $drawing->dot($x, $y, 5, Drawing::ACCENT, Drawing::ACCENT)
                ->text($x + 10, $y + 2, Say::text('pack.mark.gauge'), 'left', true, Drawing::ACCENT);
        }
        $this->north($drawing);
        $this->scale($drawing, $px);

        return $drawing;
    }

    /**
     * Where the name of an end stands: in the way of the line, past it.
     *
     * @param  array{float, float}  $end
     * @param  array{float, float}  $before
     * @return array{float, float}
     */
    private static function beyond(array $end, array $before): array
    {
        [$dx, $dy] = [$end[0] - $before[0], $end[1] - $before[1]];
        $far = max(1e-6, hypot($dx, $dy));

        return [$end[0] + 24 * $dx / $far, $end[1] + 16 * $dy / $far];
    }

    private function north(Drawing $drawing): void
    {
        $x = self::WIDTH - 18;
        $drawing->line([[$x, 40], [$x, 14], [$x - 5, 24]], Drawing::INK, 1.2)->line([[$x, 14], [$x + 5, 24]], Drawing::INK, 1.2);
        $drawing->text($x, 8, Say::text('pack.north'), 'center', true);
    }

    private function scale(Drawing $drawing, float $px): void
    {
        $metres = RoundScale::within(120 / $px);
        [$from, $y] = [8, self::HEIGHT - 10];
        $to = $from + $metres * $px;
        $drawing->line([[$from, $y - 4], [$from, $y], [$to, $y], [$to, $y - 4]], Drawing::INK, 1.2);
        $drawing->text($to + 6, $y - 2, ($this->length)($metres));
    }
}
