<?php

namespace App\Actions;

use App\Models\User;
use App\Support\Say;
use Diastoma\Core\Refused;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/** A seal is set by the person and not by whoever holds the phone: the password is asked for again. */
final class ConfirmSigner
{
    private const TRIES = 5;

    public function __invoke(User $by, #[\SensitiveParameter] ?string $password): void
    {
        $tries = "signer:{$by->id}";
        if ($password === null || $password === '') {
            throw Refused::field('password', Say::text('refused.passwordToSign'));
        }
        // Counted before it is looked at: of twenty at once five are looked at.
        if (RateLimiter::hit($tries) > self::TRIES) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($tries));
        }
        if (! Hash::check($password, $by->password)) {
            throw Refused::field('password', Say::text('refused.notYourPassword'));
        }
        RateLimiter::clear($tries);
    }
}
