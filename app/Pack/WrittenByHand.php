<?php

namespace App\Pack;

/** A signature as it was written with a finger, small. */
final class WrittenByHand
{
    /** Of the square in which it was written, in the units of its strokes. */
    private const SIDE = 1000;

    private const WIDTH = 96;

    private const HEIGHT = 34;

    /** @return Drawing|null null: it is none */
    public static function drawn(mixed $strokes): ?Drawing
    {
        if (! \is_string($strokes) || preg_match('/^(M\d{1,4} \d{1,4}(L\d{1,4} \d{1,4})*)+$/', $strokes) !== 1) {
            return null;
        }
        $drawing = new Drawing(self::WIDTH, self::HEIGHT);
        foreach (array_filter(explode('M', $strokes)) as $stroke) {
            $points = array_map(function (string $point): array {
                [$x, $y] = array_map(floatval(...), explode(' ', $point));

                return [$x * self::WIDTH / self::SIDE, $y * self::HEIGHT / self::SIDE];
            }, explode('L', $stroke));
            $drawing->line(\count($points) === 1 ? [$points[0], $points[0]] : $points, Drawing::INK, 1.2);
        }

        return $drawing;
    }
}
