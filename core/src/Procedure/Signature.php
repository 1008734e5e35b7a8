<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

use Diastoma\Core\Refused;

/**
 * What somebody wrote on the screen with a finger: strokes of points, each from 0 to 1000 across and down, as an SVG path of moves
 * and lines: "M12 30L40 31M…".
 */
final class Signature
{
    private const PATH = '/^(?:M\d{1,4} \d{1,4}(?:L\d{1,4} \d{1,4})*+){1,200}+$/D';

    private const LONGEST = 12_000;

    /** A dot is no signature. */
    private const LEAST_LINES = 5;

    /** @throws Refused naming the field */
    public static function read(mixed $value, string $key, string $label): string
    {
        if (! \is_string($value) || \strlen($value) > self::LONGEST || preg_match(self::PATH, $value) !== 1) {
            throw Refused::field($key, "{$label}: write it on the screen; at most ".self::LONGEST.' characters of strokes "M12 30L40 31".');
        }
        if (substr_count($value, 'L') < self::LEAST_LINES) {
            throw Refused::field($key, "{$label}: that is a dot. Write the name.");
        }

        return $value;
    }
}
