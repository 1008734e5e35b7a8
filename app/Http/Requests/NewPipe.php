<?php

namespace App\Http\Requests;

/** A pipe as it came. */
final class NewPipe extends MemberRequest
{
    protected const MAY = 'addJoint';

    public function rules(): array
    {
        return ['number' => 'required|string|max:60'] + PipeChange::RULES;
    }
}
