<?php

declare(strict_types=1);

use App\Desk\Conflict;
use App\Http\Middleware\FiniteNumbers;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SmallBodies;
use App\Store\NotKept;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Sheet\OpRefused;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php')
    ->withMiddleware(function (Middleware $middleware): void {
        // Everything is served from one origin.
        $middleware->remove(HandleCors::class);
        $middleware->prepend(SmallBodies::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->append(FiniteNumbers::class);
        // Only the names it is reached by: what a request calls us is not repeated in links.
        $middleware->trustHosts(
            at: fn (): array => [
                '^'.preg_quote((string) parse_url((string) config('app.url'), PHP_URL_HOST)).'$',
                '^localhost$',
                '^127\\.0\\.0\\.1$',
            ],
            subdomains: false,
        );
        $middleware->redirectGuestsTo(fn (): string => rtrim((string) config('app.url'), '/').'/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(
            fn (Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->dontReport([OpRefused::class, UnreadableImage::class, Conflict::class, NotKept::class]);
        $exceptions->render(
            fn (NotFoundHttpException $error, Request $request) => $request->is('api/*')
                ? response()->json(
                    ['message' => 'This is not here, or no longer. Go back to the shelf and open it from there.'],
                    404,
                )
                : null,
        );
        $exceptions->render(
            fn (OpRefused|UnreadableImage|NotKept $error) => response()->json(['message' => $error->getMessage()], 422),
        );
    })
    ->create();

$app->useStoragePath(env('AWNING_STORAGE', $app->basePath('var/storage')));

return $app;
