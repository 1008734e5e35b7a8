<?php

namespace App\Http\Requests;

/** A laying plan that is laid down: with the reason, and the face that the person saw. */
final class LayingLaidDown extends LayingAsked
{
    protected const MAY = 'plan';

    public function rules(): array
    {
        return parent::rules() + ['reason' => 'required|string|min:3|max:500', 'from_m' => 'required|numeric'];
    }
}
