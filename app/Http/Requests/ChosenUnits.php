<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** The units in which a person reads and types. */
final class ChosenUnits extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return ['units' => 'required|in:metric,bar,us'];
    }
}
