<?php

declare(strict_types=1);

namespace Diastoma\Core\Gasketed;

use Diastoma\Core\Calculation\Calculates;
use Diastoma\Core\Calculation\Family;
use Diastoma\Core\Calculation\Field\Number;
use Diastoma\Core\Refused;

/** Into how many loops the gasket of an iron pipe is folded, so that it springs into its groove. */
#[Calculates(
    'gasket-loops',
    'Into how many loops is the gasket folded?',
    Family::Gasketed,
    ['loops'],
    'Common practice, from memory: the maker\'s sheet rules',
)]
final class GasketLoops
{
    /** Nominal sizes in inch, by number of loops. */
    private const SIZES = [1 => [3, 4, 6, 8, 10, 12, 14, 16, 18], 2 => [20, 24], 3 => [30, 36]];

    /** @return array{loops: int} */
    public function __invoke(#[Number('nominal_in', above: 0)] float $nominal): array
    {
        foreach (self::SIZES as $loops => $sizes) {
            if (\in_array($nominal, array_map(floatval(...), $sizes), true)) {
                return ['loops' => $loops];
            }
        }
        $known = implode(', ', array_merge(...self::SIZES));
        throw Refused::field('nominal_in', "nominal_in is {$nominal}; loops are known for {$known}: ask the maker of the pipe.");
    }
}
