<?php

namespace App\Http\Requests;

use App\Support\Address;
use App\Support\PersonName;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Password;

/** Who follows an invitation: a name, an address to sign in with, a password. */
final class NewPerson extends FormRequest
{
    public const LEAST_PASSWORD = 10;

    public static function password(): Password
    {
        return Password::min(self::LEAST_PASSWORD)->max(200);
    }

    protected function prepareForValidation(): void
    {
        foreach (['name' => PersonName::normal(...), 'email' => Address::normal(...)] as $key => $normal) {
            if (\is_string($this->input($key))) {
                $this->merge([$key => $normal($this->input($key))]);
            }
        }
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'name' => 'required|string|min:'.PersonName::LEAST.'|max:'.PersonName::MOST,
            'email' => ['required', 'string', 'email', 'max:190', Rule::unique('users', 'email')],
            'password' => ['required', 'string', self::password(), 'different:email', 'different:name'],
        ];
    }

    /** @return array{name: string, email: string, password: string} */
    public function person(): array
    {
        /** @var array{name: string, email: string, password: string} */
        return $this->validated();
    }
}
