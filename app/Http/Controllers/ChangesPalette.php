<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesDesk;
use App\Desk\Palette\SeriesPalette;
use App\Desk\SeriesOps\SeriesOp;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Illuminate\Http\Request;

/**
 * How a change to a palette is asked for: by whom, and under an id of its own where asking twice must not do it twice.
 */
trait ChangesPalette
{
    private static function user(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }

    private static function opId(Request $request): ?string
    {
        $request->validate(['op_id' => ['sometimes', 'string', 'regex:/^[a-z0-9]{12,40}$/D']]);

        return $request->has('op_id') ? $request->string('op_id')->toString() : null;
    }

    /** The palette as the page shows it from which this was asked; asked from elsewhere, the series' own. */
    private static function shown(Request $request, Series $series): SeriesPalette
    {
        return new SeriesPalette($series->refresh(), self::shownPage($request, $series));
    }

    private static function shownPage(Request $request, Series $series): ?Page
    {
        $request->validate(['page' => 'sometimes|nullable|integer']);

        return $request->filled('page') ? Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page')) : null;
    }

    private static function apply(Request $request, Series $series, SeriesOp $op): SeriesEntry
    {
        return self::changing($request, $series, fn (User $user, ?string $id): SeriesEntry => (new SeriesDesk)->apply($series, $user, $op, $id));
    }

    /**
     * Does work when all else that the request says was found good: what is done is never answered as refused.
     *
     * @param  callable(User, ?string): SeriesEntry  $work
     */
    private static function changing(Request $request, Series $series, callable $work): SeriesEntry
    {
        self::shownPage($request, $series);

        return $work(self::user($request), self::opId($request));
    }
}
