<?php

use App\Feeds\ExportCalendar;
use App\Http\Middleware\ActivePeopleOnly;
use App\Http\Middleware\CsrfToken;
use App\Http\Middleware\DoneOnce;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\TellChangeMarks;
use App\Http\Middleware\WithinFrame;
use App\Http\Problem;
use App\ICalendar\ExpandFile;
use App\ICalendar\LintFile;
use App\ICalendar\RewriteFile;
use App\Imports\ImportFile;
use App\Invitations\Receive\ReceiveCommand;
use App\Publishing\Kept\KeepAnswers;
use Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse;
use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Route;

[$home, $cache] = require __DIR__.'/home.php';
if (! is_dir($cache)) {
    @mkdir($cache, 0750, true);
}
$_SERVER['APP_CONFIG_CACHE'] ??= $cache.'/config.php';
$_SERVER['APP_ROUTES_CACHE'] ??= $cache.'/routes.php';
if (is_dir($cache)) {
    $_SERVER['APP_PACKAGES_CACHE'] ??= $cache.'/packages.php';
    $_SERVER['APP_SERVICES_CACHE'] ??= $cache.'/services.php';
}

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        commands: __DIR__.'/../routes/console.php',
        then: function (): void {
            Route::middleware('api')->prefix('api/v1')->group(base_path('routes/api.php'));
            Route::group([], base_path('routes/web.php'));
        },
    )
    ->withCommands([ExpandFile::class, LintFile::class, RewriteFile::class, ImportFile::class, ExportCalendar::class, ReceiveCommand::class])
    ->withMiddleware(function (Middleware $middleware): void {
        // The registry does not serve the package that HandleCors needs; nothing here is called across origins.
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        // The first cell of a table that is pasted may be empty.
        $middleware->trimStrings(except: ['text']);
        // Around all others, so that what is kept has all that they add.
        $middleware->prepend(KeepAnswers::class);
        $middleware->group('api', [
            WithinFrame::class,
            EncryptCookies::class,
            AddQueuedCookiesToResponse::class,
            StartSession::class,
            CsrfToken::class,
            ActivePeopleOnly::class,
            DoneOnce::class,
            TellChangeMarks::class,
        ]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->render(fn (Throwable $problem, Request $request) => $request->is('api/*') ? Problem::from($problem) : null);
    })
    ->create();

$app->useEnvironmentPath($home);
$app->useStoragePath($home.'/storage');

return $app;
