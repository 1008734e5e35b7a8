<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

use Diastoma\Core\Refused;
use Diastoma\Core\Units\Si;

/** A size that a table lists; what it does not list is refused and never read from its neighbour. */
final class ListedSize
{
    /** A size given in mm meets its inch row within the rounding of a millimetre. */
    private const WITHIN_M = 0.0005;

    /**
     * @param  float  $size  m
     * @param  list<int>  $listed  in
     *
     * @throws Refused
     */
    public static function of(float $size, array $listed, string $field): int
    {
        foreach ($listed as $inches) {
            if (abs($size - $inches * 0.0254) <= self::WITHIN_M) {
                return $inches;
            }
        }
        throw Refused::field(
            $field,
            sprintf('%s is %g in; the table lists %s in.', $field, round(Si::inches($size), 3), implode(', ', $listed)),
        );
    }
}
