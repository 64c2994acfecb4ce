<?php

declare(strict_types=1);

use App\Desk\Page\PageDesk;
use App\Models\Member;
use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\DrawingSource;
use Awning\Core\Sheet\Ops\Ink\LayInk;
use Illuminate\Support\Facades\Artisan;

/**
 * The only page of a database that is made anew: a scan, cleaned, and its regions, none of them filled.
 *
 * @return array{Page, User, FlatsResult} and whose series it is of
 */
function bench_scanned_page(string $scan): array
{
    Artisan::call('migrate:fresh', ['--force' => true]);
    $series = Series::query()->create(['name' => 'Bench']);
    $user = User::query()->create(['name' => 'Mira', 'email' => 'mira@awning.example', 'password' => 'x']);
    Member::query()->create(['series_id' => $series->id, 'user_id' => $user->id, 'role' => Role::Owner]);
    $page = Page::query()
        ->create(['series_id' => $series->id, 'number' => 1, 'title' => 'One'])
        ->refresh();
    $settings = new CleanSettings(turn: 0.0);
    $clean = (new ScanCleaner)->clean((new ImageReader)->read($scan)->channels(), $settings);
    $flats = (new FlatsFinder)->find($clean->ink);
    (new PageDesk)->apply(
        $page,
        $user,
        new LayInk('Import', PlacedDrawing::of($clean, $settings, new DrawingSource(0, 'Scan', 300)), $flats),
    );

    return [$page, $user, $flats];
}
