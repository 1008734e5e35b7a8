<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure;

/** Which part of the work a step belongs to, in the order in which they follow each other. */
enum Stage: string
{
    /** who, what with, and is it the right thing */
    case Look = 'look';
    case Prepare = 'prepare';
    case Join = 'join';
    case Fuse = 'fuse';
    case Wait = 'wait';
    case Test = 'test';
    case Accept = 'accept';
}
