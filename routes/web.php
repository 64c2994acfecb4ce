<?php

declare(strict_types=1);

use App\Http\Controllers\BeforeController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\CleanLookController;
use App\Http\Controllers\CueController;
use App\Http\Controllers\FindingsController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\LeaseController;
use App\Http\Controllers\LightPreviewController;
use App\Http\Controllers\ManualController;
use App\Http\Controllers\MoodController;
use App\Http\Controllers\PageColoursController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PaletteController;
use App\Http\Controllers\PaletteFileController;
use App\Http\Controllers\PaletteVersionController;
use App\Http\Controllers\PassHistoryController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\ReferenceController;
use App\Http\Controllers\SeriesController;
use App\Http\Controllers\SeriesOpController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\TileController;
use App\Http\Controllers\TipController;
use App\Http\Middleware\EnsureStillMember;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::post('session/demo', [SessionController::class, 'demo'])->middleware('throttle:demo');

    Route::get('invitations/{token}', [InvitationController::class, 'show'])
        ->where('token', '[A-Za-z0-9]{40}')
        ->middleware('throttle:invitation');
    Route::post('invitations/{token}', [InvitationController::class, 'follow'])
        ->where('token', '[A-Za-z0-9]{40}')
        ->middleware('throttle:follow-invitation');

    // What stands inside a series' or a page's address is of that series or page, or not found.
    Route::middleware(['auth', EnsureStillMember::class])
        ->scopeBindings()
        ->group(function (): void {
            Route::put('session/password', [InvitationController::class, 'password'])->middleware(
                'throttle:own-password',
            );
            Route::delete('session', [SessionController::class, 'destroy']);
            Route::get('session/may-send', [SessionController::class, 'maySend']);

            Route::get('manual', [ManualController::class, 'index']);
            Route::get('series', [SeriesController::class, 'index']);
            Route::post('series', [SeriesController::class, 'store']);
            Route::get('series/{series}', [SeriesController::class, 'show'])->can('view', 'series');
            Route::post('series/{series}/pages', [SeriesController::class, 'addPage'])->can('flat', 'series');
            Route::post('series/{series}/members', [PeopleController::class, 'store'])->can('invite', 'series');
            Route::post('series/{series}/invitations', [InvitationController::class, 'store'])->can('invite', 'series');
            Route::delete('series/{series}/members/{user}', [PeopleController::class, 'destroy'])->can(
                'invite',
                'series',
            );
            Route::post('series/{series}/rule/preview', [PaletteController::class, 'preview'])->can('view', 'series');
            Route::get('series/{series}/palette', [PaletteController::class, 'overview'])->can('view', 'series');
            Route::get('series/{series}/palette/history', [PaletteController::class, 'history'])->can('view', 'series');
            Route::post('series/{series}/ops', [SeriesOpController::class, 'apply'])->can('colour', 'series');
            Route::post('series/{series}/undo', [SeriesOpController::class, 'undo'])->can('colour', 'series');
            Route::post('series/{series}/redo', [SeriesOpController::class, 'redo'])->can('colour', 'series');
            Route::get('series/{series}/variants', [PaletteController::class, 'variants'])->can('view', 'series');
            Route::post('series/{series}/tips', TipController::class)->can('colour', 'series');
            Route::get('series/{series}/moods', [MoodController::class, 'index'])->can('view', 'series');
            Route::get('series/{series}/moods/{mood}/file', [MoodController::class, 'file'])->can('view', 'series')->where('mood', '[a-z0-9]{4,20}');
            Route::get('series/{series}/moods/{mood}/followers', [MoodController::class, 'followers'])->can('view', 'series')->where('mood', '[a-z0-9]{4,20}');
            Route::post('pages/{page}/rainbow', [MoodController::class, 'rainbow'])->can('view', 'page');
            Route::get('pages/{page}/surroundings', [MoodController::class, 'surroundings'])->can('view', 'page');
            Route::get('pages/{page}/moods/{mood}', [MoodController::class, 'picture'])->can('view', 'page')->where('mood', '[a-z0-9]{4,28}');
            Route::get('series/{series}/setups', [SetupController::class, 'index'])->can('view', 'series');
            Route::get('series/{series}/setups/{setup}/file', [SetupController::class, 'file'])->can('view', 'series');
            Route::post('pages/{page}/marks', [SetupController::class, 'marks'])->can('view', 'page');
            Route::get('series/{series}/setups/{setup}/followers', [SetupController::class, 'followers'])->can(
                'view',
                'series',
            );
            Route::get('series/{series}/versions', [PaletteVersionController::class, 'index'])->can('view', 'series');
            Route::post('series/{series}/versions', [PaletteVersionController::class, 'store'])->can(
                'colour',
                'series',
            );
            Route::get('series/{series}/versions/compare', [PaletteVersionController::class, 'compare'])->can(
                'view',
                'series',
            );
            Route::get('series/{series}/pages/{page}/as/{number}', [PaletteVersionController::class, 'picture'])
                ->can('view', 'series')
                ->whereNumber('number');
            Route::get('series/{series}/references', [ReferenceController::class, 'index'])->can('view', 'series');
            Route::post('series/{series}/references', [ReferenceController::class, 'store'])->can('flat', 'series');
            Route::get('series/{series}/references/{reference}/mood', [MoodController::class, 'like'])->can(
                'view',
                'series',
            );
            Route::get('series/{series}/references/{reference}/picture', [ReferenceController::class, 'show'])->can(
                'view',
                'series',
            );
            Route::patch('series/{series}/references/{reference}', [ReferenceController::class, 'update'])->can(
                'flat',
                'series',
            );
            Route::delete('series/{series}/references/{reference}', [ReferenceController::class, 'destroy'])->can(
                'flat',
                'series',
            );
            Route::post('series/{series}/tasks/{kind}', [TaskController::class, 'beginForSeries'])->can(
                'view',
                'series',
            );
            Route::get('series/{series}/palette/file/{format}', [PaletteFileController::class, 'show'])
                ->can('view', 'series')
                ->whereIn('format', ['csv', 'json', 'css', 'svg', 'png', 'pdf']);
            Route::post('series/{series}/palette/file', [PaletteFileController::class, 'preview'])->can(
                'colour',
                'series',
            );

            Route::get('pages/{page}', [PageController::class, 'show'])->can('view', 'page');
            Route::get('pages/{page}/feed', [PageController::class, 'feed'])->can('view', 'page');
            Route::get('pages/{page}/picture', [PageController::class, 'picture'])->can('view', 'page');
            Route::get('pages/{page}/originals/{original}', [PageController::class, 'original'])
                ->can('view', 'page')
                ->whereNumber('original');
            Route::get('pages/{page}/lines', [BenchController::class, 'lines'])->can('view', 'page');
            Route::post('pages/{page}/lines', [BenchController::class, 'readLines'])->can('colour', 'page');
            Route::post('pages/{page}/lines/tidy', [BenchController::class, 'tidyLines'])->can('colour', 'page');
            Route::post('pages/{page}/tiles', [TileController::class, 'many'])->can('view', 'page');
            Route::post('pages/{page}/lease', [LeaseController::class, 'store'])->can('flat', 'page');
            Route::delete('pages/{page}/lease', [LeaseController::class, 'destroy'])->can('flat', 'page');
            Route::post('pages/{page}/ops', [BenchController::class, 'apply'])
                ->can('flat', 'page')
                ->name('pages.ops');
            Route::post('pages/{page}/undo', [BenchController::class, 'undo'])->can('flat', 'page');
            Route::post('pages/{page}/redo', [BenchController::class, 'redo'])->can('flat', 'page');
            Route::post('pages/{page}/tasks/{kind}', [TaskController::class, 'begin'])->can('view', 'page');
            Route::post('pages/{page}/drawings/{drawing}/look', CleanLookController::class)
                ->can('view', 'page')
                ->where('drawing', '[a-z0-9]{6,24}');
            Route::get('pages/{page}/colours', PageColoursController::class)->can('view', 'page');
            Route::get('pages/{page}/findings', FindingsController::class)->can('view', 'page');
            Route::post('pages/{page}/cues', CueController::class)->can('flat', 'page');
            Route::get('pages/{page}/before', BeforeController::class)->can('flat', 'page');
            Route::post('pages/{page}/rough/preview', LightPreviewController::class)->can('colour', 'page');
            Route::get('pages/{page}/passes/{pass}/history', [PassHistoryController::class, 'index'])
                ->can('view', 'page')
                ->where('pass', '[a-z0-9]{6,24}');
            Route::post('pages/{page}/passes/{pass}/history', [PassHistoryController::class, 'restore'])
                ->can('colour', 'page')
                ->where('pass', '[a-z0-9]{6,24}');
            Route::get('pages/{page}/tasks', [TaskController::class, 'index'])->can('view', 'page');
            Route::get('tasks/{task}', [TaskController::class, 'show']);
            Route::delete('tasks/{task}', [TaskController::class, 'stop']);
        });
});

Route::middleware(['auth', EnsureStillMember::class])
    ->scopeBindings()
    ->group(function (): void {
        Route::get('manual/{picture}', [ManualController::class, 'picture']);
        Route::get('deliveries/{task}', [TaskController::class, 'download']);
        Route::get('pages/{page}/tiles/{hash}', [TileController::class, 'one'])
            ->can('view', 'page')
            ->where('hash', '[0-9a-f]{64}');
    });

Route::view('/{any?}', 'app')->where('any', '(series|bench|palette|board|welcome)(/.*)?')->name('login');
