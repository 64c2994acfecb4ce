<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Models\PageChange;
use App\Store\StandIns;
use App\Values\Scalar;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * What changed on a page since a revision. A window that has nothing new may wait a little for it, but only as many at
 * a time as there are slots: the rest are told at once when to ask again, so that watching never holds up painting.
 *
 * @phpstan-import-type TileNow from Applied
 * @phpstan-import-type RecordNow from Applied
 * @phpstan-import-type PaletteState from SeriesPalette
 * @phpstan-import-type JournalState from Journal
 *
 * @phpstan-type Holder array{id: int, name: string}
 * @phpstan-type FeedState array{revision: int, palette: int, holder: ?Holder, reset: bool, tiles: list<TileNow>,
 *     records: list<RecordNow>, journal: ?JournalState, paletteState: ?PaletteState, again: int}
 */
final readonly class Feed
{
    /** More revisions than this are fetched quicker as a whole. */
    private const MOST = 200;

    private const LOOK_EVERY_MS = 120;

    /** When a window asks again that could not wait here. */
    private const AGAIN_MS = 1500;

    public function __construct(private Page $page)
    {
    }

    /** @return FeedState */
    public function since(int $revision, int $palette, bool $wait): array
    {
        $waited = false;
        if ($wait && ! $this->isNews($revision, $palette)) {
            $waited = $this->inSlot(fn () => $this->waitForNews($revision, $palette));
        }
        $this->page->refresh()->load('series', 'holder');

        return $this->difference($revision, $palette) + ['again' => $waited ? 0 : self::AGAIN_MS];
    }

    private function isNews(int $revision, int $palette): bool
    {
        $now = Page::query()
            ->toBase()
            ->join('series', 'series.id', '=', 'pages.series_id')
            ->where('pages.id', $this->page->id)
            ->first(['revision', 'palette_version']);

        return $now === null || $now->revision !== $revision || $now->palette_version !== $palette;
    }

    private function waitForNews(int $revision, int $palette): void
    {
        $until = microtime(true) + Scalar::float(config('awning.feed_seconds'));
        while (microtime(true) < $until && ! $this->isNews($revision, $palette)) {
            usleep(1000 * self::LOOK_EVERY_MS);
        }
    }

    /** @return bool whether there was a slot */
    private function inSlot(Closure $work): bool
    {
        for ($slot = 1; $slot <= Scalar::int(config('awning.feed_slots')); $slot++) {
            $name = DB::connection()->getDatabaseName()." feed $slot";
            if (DB::scalar('SELECT GET_LOCK(?, 0)', [$name]) === 1) {
                try {
                    $work();
                } finally {
                    DB::scalar('SELECT RELEASE_LOCK(?)', [$name]);
                }

                return true;
            }
        }

        return false;
    }

    /**
     * @return array{revision: int, palette: int, holder: ?Holder, reset: bool, tiles: list<TileNow>,
     *     records: list<RecordNow>, journal: ?JournalState, paletteState: ?PaletteState}
     */
    private function difference(int $since, int $palette): array
    {
        $page = $this->page;
        $behind = $page->revision - $since;
        /** @var list<PageChange> $changes */
        $changes =
            $behind < 1 || $behind > self::MOST
                ? []
                : PageChange::query()
                    ->with('entry')
                    ->where('page_id', $page->id)
                    ->where('revision', '>', $since)
                    ->orderBy('revision')
                    ->get()
                    ->all();
        $tiles = $records = [];
        $standIns = new StandIns($page->series_id);
        foreach ($changes as $change) {
            $applied = Applied::again($change);
            foreach ($applied->tiles() as $tile) {
                $tiles["$tile[0] $tile[1] $tile[2]"] = $tile;
            }
            foreach ($applied->records($standIns) as $record) {
                $records["$record[0] $record[1]"] = $record;
            }
        }

        $holder = $page->heldBy();

        return [
            'revision' => $page->revision,
            'palette' => $page->series->palette_version,
            'holder' => $holder === null ? null : ['id' => $holder->id, 'name' => $holder->name],
            // A revision that nobody wrote down, or one that is not there yet: only the whole page will do.
            'reset' => count($changes) !== $behind,
            'tiles' => array_values($tiles),
            'records' => array_values($records),
            'journal' => $behind === 0 ? null : (new Journal($page))->toClient(),
            'paletteState' => $page->series->palette_version === $palette ? null : SeriesPalette::of($page)->toClient(),
        ];
    }
}
