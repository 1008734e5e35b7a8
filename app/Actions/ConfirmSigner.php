<?php

namespace App\Actions;

use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** A seal is set by the person and not by whoever holds the phone: the password is asked for again. */
final class ConfirmSigner
{
    private const TRIES = 5;

    /** Longer than it takes to look at a password, s. */
    private const LONGEST_S = 30;

    public function __invoke(User $by, #[\SensitiveParameter] ?string $password): void
    {
        $tries = "signer:{$by->id}";
        if ($password === null || $password === '') {
            throw Refused::field('password', Say::text('refused.passwordToSign'));
        }
        // One after the other: of twenty at once five are looked at. Counting alone begins anew where two begin it.
        Cache::lock("{$tries}:one", self::LONGEST_S)->block(self::LONGEST_S, fn () => $this->look($tries, $by, $password));
    }

    private function look(string $tries, User $by, #[\SensitiveParameter] string $password): void
    {
        if (RateLimiter::tooManyAttempts($tries, self::TRIES)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($tries));
        }
        if (! Hash::check($password, $by->password)) {
            RateLimiter::hit($tries);
            throw Refused::field('password', Say::text('refused.notYourPassword'));
        }
        RateLimiter::clear($tries);
    }
}
