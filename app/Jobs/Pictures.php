<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Page;
use App\Values\Scalar;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Queue;

/** Has small pictures made of pages that have changed. */
final class Pictures
{
    /** So many are asked for at a time. */
    private const AT_ONCE = 5;

    /** A page that is painted on gets a new one no more often than this. */
    private const APART_SECONDS = 20;

    /** One that was asked for and did not come is asked for again. */
    private const LOST_SECONDS = 120;

    /** @return int how many were asked for */
    public function askFor(): int
    {
        $ids = Page::query()
            ->toBase()
            ->join('series', 'series.id', '=', 'pages.series_id')
            ->whereNotNull('pages.width')
            ->where(
                fn (Builder $page) => $page
                    ->whereNull('pages.pictured')
                    ->orWhereRaw("pages.pictured <> CONCAT(pages.revision, '-', series.palette_version)"),
            )
            ->where(
                fn (Builder $page) => $page
                    ->whereNull('pages.pictured_at')
                    ->orWhere('pages.pictured_at', '<', now()->subSeconds(self::APART_SECONDS)),
            )
            ->where(
                fn (Builder $page) => $page
                    ->whereNull('pages.picture_asked_at')
                    ->orWhere('pages.picture_asked_at', '<', now()->subSeconds(self::LOST_SECONDS)),
            )
            // Pages that have none come first.
            ->orderBy('pages.pictured_at')
            ->limit(self::AT_ONCE)
            ->pluck('pages.id')
            ->all();
        foreach ($ids as $id) {
            Page::query()
                ->toBase()
                ->where('id', $id)
                ->update(['picture_asked_at' => now()]);
            Queue::pushOn(MakePicture::LINE, new MakePicture(Scalar::int($id)));
        }

        return count($ids);
    }
}
