<?php

namespace App\Providers;

use App\Models\User;
use App\Support\Address;
use App\Support\CompiledProcedures;
use App\Support\Say;
use Diastoma\Core\Calculation\Registry;
use Diastoma\Core\Seal\KeyRing;
use Illuminate\Auth\Access\Response;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Http\Request;
use Illuminate\Routing\Route as RoutingRoute;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(Registry::class, fn () => Registry::standard());
        $this->app->singleton(CompiledProcedures::class, fn () => new CompiledProcedures(Config::string('procedures.compiled')));
        $this->app->bind(KeyRing::class, fn () => KeyRing::of(Config::string('seal.key'), Config::string('seal.former')));
    }

    public function boot(): void
    {
        // A large file is sent by the web server where that says so: docs/running.md.
        BinaryFileResponse::trustXSendfileTypeHeader();
        // Paths, not addresses: the same page works behind any host name.
        Vite::createAssetPathsUsing(fn (string $path) => '/'.$path);
        Model::shouldBeStrict(! $this->app->isProduction());
        Relation::enforceMorphMap([
            'joint' => \App\Models\Joint::class,
            'test' => \App\Models\PressureTest::class,
            'stretch' => \App\Models\Stretch::class,
        ]);
        Route::bind('subject', function (string $id, RoutingRoute $route): Model {
            $kind = $route->parameter('kind');
            $class = (\is_string($kind) ? Relation::getMorphedModel($kind) : null) ?? abort(404);

            return $class::query()->findOrFail($id);
        });
        Gate::define('administer', fn (User $user) => $user->is_admin
            ? Response::allow()
            : Response::deny(Say::text('refused.administratorDoes')));
        RateLimiter::for('links', fn (Request $request) => Limit::perMinute(20)->by((string) $request->ip()));
        RateLimiter::for('sign-in', function (Request $request): array {
            $account = Address::normal(\is_string($request->input('email')) ? $request->input('email') : '');

            // From one place, and from everywhere: who has many addresses gets no further with one account.
            return [Limit::perMinute(8)->by("{$account}|{$request->ip()}"), Limit::perMinute(30)->by("account {$account}")];
        });
    }
}
