<?php

namespace App\Laying;

use App\Models\Joint;
use App\Models\Line;
use App\Models\Pipe;

/** What is painted on the pipes of a line, by where they begin: a plan counts its own from one, and may begin anywhere. */
final readonly class PaintedNumbers
{
    private const MILLIMETRE = 3;

    /** @param  array<string, string>  $numbers  by chainage, m to the millimetre */
    private function __construct(private array $numbers)
    {
    }

    public static function of(Line $line): self
    {
        $numbers = [];
        $painted = Pipe::query()->where('line_id', $line->id)->pluck('number', 'id');
        $joints = Joint::query()->where('line_id', $line->id)->where('place', 'in-line')->where('state', '!=', 'cut-out')
            ->orderBy('chainage_m')->get(['chainage_m', 'pipe_a_id', 'pipe_b_id']);
        foreach ($joints as $joint) {
            $numbers[self::key($joint->chainage_m)] = $painted[$joint->pipe_b_id ?? ''] ?? '';
        }
        $numbers[self::key($line->centre_line[0][0])] ??= $painted[$joints->first()->pipe_a_id ?? ''] ?? '';

        return new self($numbers);
    }

    /** @return string empty: no pipe of the line begins there any more */
    public function at(float $chainage): string
    {
        return $this->numbers[self::key($chainage)] ?? '';
    }

    /** With its digits always, for 18.0 and 18 are one place; no key of an array that would become a whole number. */
    private static function key(float $chainage): string
    {
        return number_format($chainage, self::MILLIMETRE, '.', '');
    }
}
