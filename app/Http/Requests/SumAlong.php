<?php

namespace App\Http\Requests;

use App\Support\Say;
use Illuminate\Foundation\Http\FormRequest;

/** Along which of its inputs a sum is drawn, and from where to where. */
final class SumAlong extends FormRequest
{
    use SentAsJson;

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'input' => 'required|array',
            'key' => 'required|string|max:80',
            'from' => 'required|numeric',
            'to' => 'required|numeric',
        ];
    }

    public function messages(): array
    {
        return ['required' => Say::text('refused.isMissing'), 'numeric' => Say::text('refused.isNoNumber')];
    }
}
