<?php

namespace App\Actions;

use App\Models\User;
use App\Support\Journal;
use App\Support\OneTimeCode;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Who may sign in: address, password and, where there is one, the code of the second factor. What fails is noted. */
final class LetIn
{
    /** Of no account: a wrong address takes as long as a wrong password. */
    private const NOBODY = '$2y$12$N6/TDgn2DTX6SSwmqcHcYO9CnZhA6eJokAzEc4S7OWHdKO3nZclJa';

    /** @param  array{email: string, password: string}  $credentials */
    public function __invoke(#[\SensitiveParameter] array $credentials, #[\SensitiveParameter] ?string $code): User
    {
        $user = User::query()->where('email', $credentials['email'])->first();
        $fits = Hash::check($credentials['password'], $user->password ?? self::NOBODY);
        if ($user === null || ! $fits) {
            $this->refuse('email', 'refused.namePassword', $user ?? self::asAddress($credentials['email']));
        }
        if ($user->disabled_at !== null) {
            $this->refuse('email', 'refused.disabled', $user);
        }
        if ($user->code_secret !== null) {
            $this->mustShowCode($user, $code);
        }

        return $user;
    }

    /** What was typed, where it can be an address: a password in the wrong field is written down nowhere. */
    private static function asAddress(string $typed): string
    {
        return filter_var($typed, FILTER_VALIDATE_EMAIL) === false ? '' : $typed;
    }

    private function mustShowCode(User $user, ?string $code): void
    {
        if ($code === null) {
            throw Refused::field('code', Say::text('refused.codeWanted'));
        }
        $taken = DB::transaction(function () use ($user, $code): bool {
            // Two who show the same code at once: one of them is let in.
            $locked = User::query()->lockForUpdate()->findOrFail($user->id);
            $step = OneTimeCode::step((string) $locked->code_secret, $code, now()->getTimestamp(), $locked->code_step);
            $locked->update(['code_step' => $step ?? $locked->code_step]);

            return $step !== null;
        }, 3);
        if (! $taken) {
            $this->refuse('code', 'refused.codeDoesNotFit', $user);
        }
    }

    private function refuse(string $field, string $why, User|string $who): never
    {
        Journal::note('sign-in-refused', ['why' => Say::text($why)], $who);
        throw Refused::field($field, Say::text($why));
    }
}
