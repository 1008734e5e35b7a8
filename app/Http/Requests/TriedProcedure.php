<?php

namespace App\Http\Requests;

use App\Models\Joint;

/** A procedure that is being written, and the joint on which it is tried; without one it is only compiled. */
final class TriedProcedure extends NewProcedure
{
    public function rules(): array
    {
        return parent::rules() + ['joint' => 'nullable|uuid'];
    }

    /** One of the project in which it is written; any other is not found. */
    public function joint(): ?Joint
    {
        return $this->filled('joint')
            ? Joint::query()
                ->whereRelation('ofLine', 'project_id', $this->integer('project_id'))
                ->with(['ofLine.project', 'ofLine.procedureText', 'procedureText'])
                ->findOrFail($this->string('joint'))
            : null;
    }
}
