<?php

namespace App\Pack;

use App\Support\Say;

/** A section from the side: level against chainage on round scales, its joints, vents and drains, and the pressure along it. */
final readonly class ProfileOfSection
{
    private const WIDTH = 680;

    private const HEIGHT = 230;

    private const LEFT = 46;

    private const RIGHT = 14;

    private const TOP = 52;

    private const BOTTOM = 46;

    /**
     * @param  non-empty-list<array{float, float}>  $profile  [m, m]
     * @param  list<float>  $joints  chainages
     * @param  list<array{float, string}>  $marks  [m, what is there]
     * @param  list<array{float, string}>  $pressures  [m, as it is read]
     * @param  \Closure(float): float  $length  from m to what is read
     */
    public function __construct(
        private array $profile,
        private array $joints,
        private array $marks,
        private array $pressures,
        private \Closure $length,
        private string $symbol,
    ) {
    }

    public function draw(): Drawing
    {
        $drawing = new Drawing(self::WIDTH, self::HEIGHT);
        $levels = array_map(fn (array $p) => ($this->length)($p[1]), $this->profile);
        $chainages = array_map(fn (array $p) => ($this->length)($p[0]), $this->profile);
        $up = RoundScale::over(min($levels), max($levels), 4);
        [$low, $high] = [$chainages[0], $chainages[\count($chainages) - 1]];
        $along = RoundScale::over($low, $high, 10);
        [$right, $foot] = [self::WIDTH - self::RIGHT, self::HEIGHT - self::BOTTOM];
        $x = fn (float $read): float => self::LEFT + ($right - self::LEFT) * ($read - $low) / ($high - $low);
        $y = fn (float $read): float => $foot - ($foot - self::TOP) * ($read - $up->low) / ($up->high - $up->low);
        foreach ($up->ticks() as $tick) {
            $drawing->line([[self::LEFT, $y($tick)], [$right, $y($tick)]], Drawing::RULE, 0.6);
            $drawing->text(self::LEFT - 5, $y($tick), $up->text($tick), 'right');
        }
        foreach ($along->ticks() as $tick) {
            if ($tick >= $low - 1e-9 && $tick <= $high + 1e-9) {
                $drawing->line([[$x($tick), $foot + 8], [$x($tick), $foot + 12]], Drawing::FAINT, 0.8);
                $drawing->text($x($tick), $foot + 20, $along->text($tick), 'center');
            }
        }
        $drawing->text(2, self::TOP - 42, Say::text('pack.levelIn', ['unit' => $this->symbol]), 'left', true);
        $drawing->text($right, $foot + 36, "chainage, {$this->symbol}", 'right', true);
        $drawing->line(array_map(fn (float $c, float $l) => [$x($c), $y($l)], $chainages, $levels), Drawing::WATER, 3);
        foreach ($this->joints as $joint) {
            $at = $x(($this->length)($joint));
            $drawing->line([[$at, $foot + 1], [$at, $foot + 7]], Drawing::INK, 0.8);
        }
        foreach ($this->marks as [$place, $words]) {
            $at = $x(($this->length)($place));
            $on = $y(($this->length)($this->levelAt($place)));
            $drawing->dot($at, $on, 3.5, '#ffffff')->text($at, $on + 13, $words, $this->side($at));
        }
        foreach ($this->pressures as $row => [$place, $said]) {
            $at = $x(($this->length)($place));
            $top = self::TOP - 6 - 14 * $row;
            $drawing->line([[$at, $top + 2], [$at, $y(($this->length)($this->levelAt($place))) - 4]], Drawing::ACCENT, 0.8, '2 2');
            $drawing->text($at, $top - 6, $said, $this->side($at), true, Drawing::ACCENT);
        }

        return $drawing;
    }

    /** @return 'left'|'center'|'right' so that words at an end stay on the sheet */
    private function side(float $at): string
    {
        return $at < self::LEFT + 60 ? 'left' : ($at > self::WIDTH - self::RIGHT - 60 ? 'right' : 'center');
    }

    private function levelAt(float $chainage): float
    {
        foreach ($this->profile as $i => [$at, $level]) {
            if ($at >= $chainage - 1e-6) {
                [$before, $below] = $this->profile[max(0, $i - 1)];

                return $at - $before < 1e-9 ? $level : $below + ($level - $below) * ($chainage - $before) / ($at - $before);
            }
        }

        return $this->profile[\count($this->profile) - 1][1];
    }
}
