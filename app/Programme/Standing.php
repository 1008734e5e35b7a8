<?php

namespace App\Programme;

use App\Models\Joint;
use Diastoma\Core\Programme\JointMoments;
use Illuminate\Support\Collection;

/** How far a line or a section of it has come: what is joined, what is left, and when what was. */
final readonly class Standing
{
    /**
     * @param  Collection<int, Joint>  $joined  in the order in which they were joined
     * @param  Collection<int, Joint>  $left  in the order of the line
     * @param  array<string, JointMoments>  $moments  by id of those that were begun
     */
    public function __construct(public Collection $joined, public Collection $left, public array $moments)
    {
    }

    public function of(Joint $joint): ?JointMoments
    {
        return $this->moments[$joint->id] ?? null;
    }
}
