<?php

use Illuminate\Support\Facades\Route;

// One page; the application in it knows its own routes. It holds no data, so a service worker may keep it.
Route::view('/{any?}', 'app')->where('any', '^(?!api/|build/|sanctum/).*$')->withoutMiddleware([
    Illuminate\Session\Middleware\StartSession::class,
    Illuminate\View\Middleware\ShareErrorsFromSession::class,
    Illuminate\Cookie\Middleware\EncryptCookies::class,
    Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
    Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse::class,
]);
