<?php

declare(strict_types=1);

namespace Diastoma\Core\Bolting;

use Diastoma\Core\Calculation\Field\Choice;
use Diastoma\Core\Calculation\Field\Number;

/** Once round all bolts, to a share of the target. */
final readonly class BoltPass
{
    public function __construct(
        #[Number('fraction', above: 0, max: 1)] public float $fraction,
        #[Choice('pattern', ['cross', 'circular'])] public string $pattern = 'cross',
        #[Choice('repeat', ['once', 'until-no-movement'])] public string $repeat = 'once',
    ) {
    }
}
