<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\SeriesDesk;
use App\Desk\SeriesOps\SeriesOp;
use App\Desk\SeriesPalette;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesEntry;
use App\Models\User;
use Illuminate\Http\Request;

/** How a change to a palette is asked for: by whom, and under an id of its own where asking twice must not do it twice. */
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
        $request->validate(['page' => 'sometimes|integer']);
        $page = $request->filled('page') ? Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page')) : null;

        return new SeriesPalette($series->refresh(), $page);
    }

    private static function apply(Request $request, Series $series, SeriesOp $op): SeriesEntry
    {
        return (new SeriesDesk)->apply($series, self::user($request), $op, self::opId($request));
    }
}
