<?php

namespace App\Models;

/** How far a pack is. */
enum PackState: string
{
    case Waiting = 'waiting';
    case Making = 'making';
    case Ready = 'ready';
    case Failed = 'failed';
}
