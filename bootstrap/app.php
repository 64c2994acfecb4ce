<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
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
        // Everything is served from one origin, and the CORS package is not to be had here.
        $middleware->remove(HandleCors::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->redirectGuestsTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        $exceptions->dontReport([OpRefused::class, UnreadableImage::class]);
        $exceptions->render(fn (NotFoundHttpException $error, Request $request) => $request->is('api/*')
            ? response()->json(['message' => 'This is not here, or no longer. Go back to the shelf and open it from there.'], 404)
            : null);
        $exceptions->render(fn (OpRefused|UnreadableImage $error) => response()->json(['message' => $error->getMessage()], 422));
    })
    ->create();

$app->useStoragePath(env('AWNING_STORAGE', $app->basePath('var/storage')));

return $app;
