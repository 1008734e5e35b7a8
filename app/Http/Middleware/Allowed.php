<?php

namespace App\Http\Middleware;

use App\Models\User;
use App\Support\Say;
use Closure;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Who was disabled is out at once; who works where a second factor is wanted adds one before anything else. */
final class Allowed
{
    /** What one may do all the same: see who one is, add the factor, leave. */
    private const FREE = ['api/v1/me', 'api/v1/me/*', 'api/v1/session'];

    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && $user->disabled_at !== null) {
            throw new AuthenticationException;
        }
        if ($user instanceof User && $user->mustAddFactor() && ! $request->is(...self::FREE)) {
            throw new AuthorizationException(Say::text('refused.addSecondFactor'));
        }

        return $next($request);
    }
}
