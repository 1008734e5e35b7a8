<?php

use App\Http\Middleware\NoteInJournal;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SpeakLanguage;
use App\Http\Middleware\TellTime;
use App\Support\Conflict;
use App\Support\Problem;
use Diastoma\Core\Refused;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

// Data lives in one folder, inside the checkout unless DIASTOMA_HOME says otherwise.
$home = getenv('DIASTOMA_HOME') ?: dirname(__DIR__).'/.diastoma';

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
        apiPrefix: 'api/v1',
    )
    ->withMiddleware(function (Middleware $middleware) {
        // Same origin only: no cross-origin rules to handle.
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->append(SpeakLanguage::class);
        $middleware->append(TellTime::class);
        $middleware->statefulApi();
        // Who asks is known by the word of a proxy only where one was named, and only of that one.
        $middleware->trustProxies(at: array_filter(explode(',', getenv('PROXIES') ?: '')));
        $middleware->alias(['journal' => NoteInJournal::class]);
        $middleware->redirectGuestsTo(fn () => null);
    })
    ->withExceptions(function (Exceptions $exceptions) {
        // A refusal is an answer, not a fault: the log of faults stays short enough to be read.
        $exceptions->dontReport([Refused::class, Conflict::class]);
        $exceptions->shouldRenderJsonWhen(fn (Request $request) => $request->is('api/*'));
        $exceptions->render(fn (Throwable $e, Request $request) => $request->is('api/*') ? Problem::from($e) : null);
    })
    ->create();

is_dir(__DIR__.'/cache') || @mkdir(__DIR__.'/cache', 0o775, true);
foreach (['framework/views', 'framework/cache/data', 'framework/sessions', 'logs', 'app'] as $folder) {
    is_dir("{$home}/storage/{$folder}") || @mkdir("{$home}/storage/{$folder}", 0o770, true);
}

return $app->useStoragePath("{$home}/storage")->useEnvironmentPath($home);
