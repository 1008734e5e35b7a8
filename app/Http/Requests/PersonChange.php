<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What an administrator changes of a person. A second factor can only be taken away: adding it is theirs. */
final class PersonChange extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return ['disabled' => 'boolean', 'is_admin' => 'boolean', 'second_factor' => 'sometimes|declined'];
    }
}
