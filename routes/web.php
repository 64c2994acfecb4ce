<?php

declare(strict_types=1);

use App\Http\Controllers\BeforeController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\BrushController;
use App\Http\Controllers\CleanLookController;
use App\Http\Controllers\CueController;
use App\Http\Controllers\FindingsController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\LeaseController;
use App\Http\Controllers\LightController;
use App\Http\Controllers\MatchController;
use App\Http\Controllers\PageColoursController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PaletteController;
use App\Http\Controllers\PaletteFileController;
use App\Http\Controllers\PaletteVersionController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\ReferenceController;
use App\Http\Controllers\ReplaceController;
use App\Http\Controllers\SeriesController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\TileController;
use App\Http\Controllers\VariantController;
use App\Http\Middleware\StillWelcome;
use Illuminate\Support\Facades\Route;

Route::prefix('api')->group(function (): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::post('session/demo', [SessionController::class, 'demo'])->middleware('throttle:sign-in');

    Route::get('invitations/{token}', [InvitationController::class, 'show'])->where('token', '[A-Za-z0-9]{40}')->middleware('throttle:sign-in');
    Route::post('invitations/{token}', [InvitationController::class, 'follow'])->where('token', '[A-Za-z0-9]{40}')->middleware('throttle:sign-in');

    Route::middleware(['auth', StillWelcome::class])->group(function (): void {
        Route::put('session/password', [InvitationController::class, 'password'])->middleware('throttle:sign-in');
        Route::delete('session', [SessionController::class, 'destroy']);

        Route::get('series', [SeriesController::class, 'index']);
        Route::post('series', [SeriesController::class, 'store']);
        Route::get('series/{series}', [SeriesController::class, 'show'])->can('view', 'series');
        Route::post('series/{series}/pages', [SeriesController::class, 'addPage'])->can('flat', 'series');
        Route::post('series/{series}/members', [PeopleController::class, 'store'])->can('invite', 'series');
        Route::post('series/{series}/invitations', [InvitationController::class, 'store'])->can('invite', 'series');
        Route::delete('series/{series}/members/{user}', [PeopleController::class, 'destroy'])->can('invite', 'series');
        Route::post('series/{series}/figures', [PaletteController::class, 'addFigure'])->can('colour', 'series');
        Route::post('series/{series}/figures/taken', [PaletteController::class, 'copyFigure'])->can('colour', 'series');
        Route::post('series/{series}/figures/{figure}/materials', [PaletteController::class, 'addMaterial'])->can('colour', 'series');
        Route::post('series/{series}/figures/{figure}/colours', [PaletteController::class, 'takeColours'])->can('colour', 'series');
        Route::patch('series/{series}/figures/{figure}', [PaletteController::class, 'changeFigure'])->can('colour', 'series');
        Route::post('series/{series}/figures/{figure}/copies', [PaletteController::class, 'copyMaterials'])->can('colour', 'series');
        Route::delete('series/{series}/figures/{figure}/link', [PaletteController::class, 'unlinkFigure'])->can('colour', 'series');
        Route::delete('series/{series}/figures/{figure}', [PaletteController::class, 'retireFigure'])->can('colour', 'series');
        Route::put('series/{series}/materials/{material}/tones', [PaletteController::class, 'pin'])->can('colour', 'series');
        Route::put('series/{series}/materials/{material}/more', [PaletteController::class, 'nameTones'])->can('colour', 'series');
        Route::patch('series/{series}/materials/{material}', [PaletteController::class, 'changeMaterial'])->can('colour', 'series');
        Route::post('series/{series}/materials/{material}/copies', [PaletteController::class, 'duplicateMaterial'])->can('colour', 'series');
        Route::delete('series/{series}/materials/{material}', [PaletteController::class, 'retireMaterial'])->can('colour', 'series');
        Route::put('series/{series}/rule', [PaletteController::class, 'rule'])->can('colour', 'series');
        Route::post('series/{series}/rule/preview', [PaletteController::class, 'preview'])->can('view', 'series');
        Route::get('series/{series}/palette', [PaletteController::class, 'overview'])->can('view', 'series');
        Route::get('series/{series}/palette/history', [PaletteController::class, 'history'])->can('view', 'series');
        Route::post('series/{series}/palette/undo', [PaletteController::class, 'undo'])->can('colour', 'series');
        Route::post('series/{series}/palette/redo', [PaletteController::class, 'redo'])->can('colour', 'series');
        Route::get('series/{series}/variants', [VariantController::class, 'index'])->can('view', 'series');
        Route::post('series/{series}/variants', [VariantController::class, 'store'])->can('colour', 'series');
        Route::patch('series/{series}/variants/{variant}', [VariantController::class, 'update'])->can('colour', 'series');
        Route::post('series/{series}/brushes', [BrushController::class, 'store'])->can('colour', 'series');
        Route::delete('series/{series}/brushes/{brush}', [BrushController::class, 'destroy'])->can('colour', 'series');
        Route::post('series/{series}/tips', [BrushController::class, 'tip'])->can('colour', 'series');
        Route::get('series/{series}/setups', [SetupController::class, 'index'])->can('view', 'series');
        Route::post('series/{series}/setups', [SetupController::class, 'store'])->can('colour', 'series');
        Route::post('series/{series}/setups/file', [SetupController::class, 'import'])->can('colour', 'series');
        Route::get('series/{series}/setups/{setup}/file', [SetupController::class, 'file'])->can('view', 'series');
        Route::post('pages/{page}/marks', [SetupController::class, 'marks'])->can('view', 'page');
        Route::delete('series/{series}/setups/{setup}', [SetupController::class, 'destroy'])->can('colour', 'series');
        Route::post('series/{series}/lights', [LightController::class, 'store'])->can('colour', 'series');
        Route::patch('series/{series}/lights/{light}', [LightController::class, 'update'])->can('colour', 'series');
        Route::put('series/{series}/pages/{page}/light', [LightController::class, 'pick'])->can('colour', 'series');
        Route::put('series/{series}/pages/{page}/variant', [VariantController::class, 'wear'])->can('colour', 'series');
        Route::get('series/{series}/versions', [PaletteVersionController::class, 'index'])->can('view', 'series');
        Route::post('series/{series}/versions', [PaletteVersionController::class, 'store'])->can('colour', 'series');
        Route::get('series/{series}/versions/compare', [PaletteVersionController::class, 'compare'])->can('view', 'series');
        Route::get('series/{series}/pages/{page}/as/{number}', [PaletteVersionController::class, 'picture'])->can('view', 'series')->whereNumber('number');
        Route::post('series/{series}/versions/{version}/restore', [PaletteVersionController::class, 'restore'])->can('colour', 'series');
        Route::put('series/{series}/pages/{page}/palette', [PaletteVersionController::class, 'hold'])->can('colour', 'series');
        Route::get('series/{series}/references', [ReferenceController::class, 'index'])->can('view', 'series');
        Route::post('series/{series}/references', [ReferenceController::class, 'store'])->can('flat', 'series');
        Route::get('series/{series}/references/{reference}/picture', [ReferenceController::class, 'show'])->can('view', 'series');
        Route::patch('series/{series}/references/{reference}', [ReferenceController::class, 'update'])->can('flat', 'series');
        Route::delete('series/{series}/references/{reference}', [ReferenceController::class, 'destroy'])->can('flat', 'series');
        Route::post('series/{series}/replace', ReplaceController::class)->can('colour', 'series');
        Route::post('series/{series}/matches', MatchController::class)->can('view', 'series');
        Route::get('series/{series}/palette/file/{format}', [PaletteFileController::class, 'show'])->can('view', 'series')->whereIn('format', ['csv', 'json', 'css', 'svg', 'png', 'pdf']);
        Route::post('series/{series}/palette/file', [PaletteFileController::class, 'store'])->can('colour', 'series');

        Route::get('pages/{page}', [PageController::class, 'show'])->can('view', 'page');
        Route::get('pages/{page}/feed', [PageController::class, 'feed'])->can('view', 'page');
        Route::get('pages/{page}/picture', [PageController::class, 'picture'])->can('view', 'page');
        Route::get('pages/{page}/originals/{original}', [PageController::class, 'original'])->can('view', 'page')->whereNumber('original');
        Route::get('pages/{page}/lines', [BenchController::class, 'lines'])->can('view', 'page');
        Route::post('pages/{page}/lines', [BenchController::class, 'readLines'])->can('colour', 'page');
        Route::post('pages/{page}/lines/tidy', [BenchController::class, 'tidyLines'])->can('colour', 'page');
        Route::post('pages/{page}/tiles', [TileController::class, 'many'])->can('view', 'page');
        Route::post('pages/{page}/lease', [LeaseController::class, 'store'])->can('flat', 'page');
        Route::delete('pages/{page}/lease', [LeaseController::class, 'destroy'])->can('flat', 'page');
        Route::post('pages/{page}/ops', [BenchController::class, 'apply'])->can('flat', 'page')->name('pages.ops');
        Route::post('pages/{page}/undo', [BenchController::class, 'undo'])->can('flat', 'page');
        Route::post('pages/{page}/redo', [BenchController::class, 'redo'])->can('flat', 'page');
        Route::post('pages/{page}/import', [TaskController::class, 'import'])->can('flat', 'page');
        Route::post('pages/{page}/clean', [TaskController::class, 'clean'])->can('flat', 'page');
        Route::post('pages/{page}/drawings/{drawing}/look', CleanLookController::class)->can('view', 'page')->where('drawing', '[a-z0-9]{6,24}');
        Route::get('pages/{page}/colours', PageColoursController::class)->can('view', 'page');
        Route::get('pages/{page}/findings', FindingsController::class)->can('view', 'page');
        Route::post('pages/{page}/cues', CueController::class)->can('flat', 'page');
        Route::get('pages/{page}/before', BeforeController::class)->can('flat', 'page');
        Route::post('pages/{page}/take', [TaskController::class, 'take'])->can('flat', 'page');
        Route::post('pages/{page}/snap', [TaskController::class, 'snap'])->can('colour', 'page');
        Route::post('pages/{page}/regions', [TaskController::class, 'regions'])->can('flat', 'page');
        Route::post('pages/{page}/rough', [TaskController::class, 'rough'])->can('colour', 'page');
        Route::post('pages/{page}/enlarge', [TaskController::class, 'enlarge'])->can('colour', 'page');
        Route::post('pages/{page}/deliver', [TaskController::class, 'deliver'])->can('view', 'page');
        Route::get('pages/{page}/tasks', [TaskController::class, 'index'])->can('view', 'page');
        Route::get('tasks/{task}', [TaskController::class, 'show']);
        Route::delete('tasks/{task}', [TaskController::class, 'stop']);
    });
});

Route::middleware(['auth', StillWelcome::class])->group(function (): void {
    Route::get('deliveries/{task}', [TaskController::class, 'download']);
    Route::get('pages/{page}/tiles/{hash}', [TileController::class, 'one'])->can('view', 'page')->where('hash', '[0-9a-f]{64}');
});

Route::view('/{any?}', 'app')->where('any', '(series|bench|palette|board|welcome)(/.*)?')->name('login');
