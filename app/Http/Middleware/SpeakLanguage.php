<?php

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;
use Symfony\Component\HttpFoundation\Response;

/** Answers in the reader's language where there is a folder of it in `lang/`, else in English. */
final class SpeakLanguage
{
    public function handle(Request $request, Closure $next): Response
    {
        $languages = array_map(basename(...), glob(lang_path('*'), GLOB_ONLYDIR) ?: []);
        App::setLocale($request->getPreferredLanguage(['en', ...array_diff($languages, ['en'])]) ?? 'en');

        return $next($request);
    }
}
