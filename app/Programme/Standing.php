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
     * @param  Collection<int, Joint>  $left  in the order of the line; what will be made in the place of bad ones is among them
     * @param  array<string, JointMoments>  $moments  by id of those that were begun
     * @param  Collection<int, Joint>  $hung  of what hangs on the line: what is joined
     * @param  Collection<int, Joint>  $toHang  of what hangs on the line: what is left, in its order
     */
    public function __construct(
        public Collection $joined,
        public Collection $left,
        public array $moments,
        public Collection $hung,
        public Collection $toHang,
    ) {
    }

    /** @return Collection<int, Joint> all that is joined, what hangs on the line behind the line itself */
    public function made(): Collection
    {
        return $this->joined->concat($this->hung);
    }

    /** @return array{anew: list<string>, bad: list<string>} numbers of bad joints: those that are made anew in this plan, and others */
    public function bad(): array
    {
        $anew = $this->left->reject(fn (Joint $joint): bool => $joint->exists)->pluck('replaces_id')->all();
        [$planned, $others] = $this->made()->where('verdict', 'bad')
            ->partition(fn (Joint $joint): bool => \in_array($joint->id, $anew, true));

        return ['anew' => array_values($planned->pluck('number')->all()), 'bad' => array_values($others->pluck('number')->all())];
    }

    public function of(Joint $joint): ?JointMoments
    {
        return $this->moments[$joint->id] ?? null;
    }
}
