<?php

namespace App\Laying;

use App\Models\Joint;
use App\Models\Pipe;
use Illuminate\Database\Eloquent\Collection;

/** Where a line stands: what was begun up to here, and what is only planned behind it. */
final readonly class Face
{
    /**
     * @param  Joint|null  $joint  the last one that was begun; null: none was
     * @param  Pipe|null  $pipe  behind it: the last one that lies, or is being laid
     * @param  float  $from  chainage where that pipe ends, and what is planned begins, m
     * @param  Collection<int, Joint>  $planned  joints that nobody has begun
     */
    public function __construct(public ?Joint $joint, public ?Pipe $pipe, public float $from, public Collection $planned)
    {
    }
}
