<?php

namespace App\Http\Requests;

use App\Support\Address;
use Illuminate\Foundation\Http\FormRequest;

/** Address and password. */
final class SignIn extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return ['email' => 'required|string|max:200', 'password' => 'required|string|max:200', 'code' => 'nullable|string|max:20'];
    }

    /** Of the second factor; null: none was entered. */
    public function code(): ?string
    {
        $code = $this->validated('code');

        return \is_string($code) && trim($code) !== '' ? $code : null;
    }

    /** @return array{email: string, password: string} */
    public function credentials(): array
    {
        return ['email' => Address::normal((string) $this->string('email')), 'password' => $this->validated('password')];
    }
}
