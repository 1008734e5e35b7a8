<?php

declare(strict_types=1);

namespace Diastoma\Core\PressureTest;

/** What a section is filled with for its test. */
enum Medium: string
{
    case Water = 'water';

    /** a few kilopascals in a sewer */
    case LowAir = 'low-air';

    /** air, nitrogen or gas at a pressure that flings what lets go */
    case Gas = 'gas';

    /** drawn out of a manhole */
    case Vacuum = 'vacuum';

    /** a mandrel is pulled through it, empty */
    case Nothing = 'nothing';
}
