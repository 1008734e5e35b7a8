<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Each answer says what time it is here, so that a device knows by how much its own clock is off. */
final class TellTime
{
    public const HEADER = 'X-Server-Time';

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        $response->headers->set(self::HEADER, (string) now()->getTimestampMs());

        return $response;
    }
}
