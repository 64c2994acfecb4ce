<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\JournalEntry;
use App\Models\Page;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\DB;

/** The one door through which a page changes: one op, one transaction, one journal entry. */
final class PageDesk
{
    /**
     * @param  ?int  $base  the revision the op was made on; null when it does not matter (a job that holds the page)
     * @param  ?string  $lease  null for work that needs no lease: the demo, a task begun by the holder
     *
     * @throws Conflict
     * @throws OpRefused
     */
    public function apply(Page $page, User $user, Op $op, ?int $base = null, ?string $lease = null): Applied
    {
        return $this->locked($page, $user, $base, $lease, function (Page $page, PageStore $store) use ($user, $op): ?JournalEntry {
            $sheet = new Sheet($store);
            $op->apply($sheet);
            $change = $sheet->takeChange();
            if ($change->isEmpty()) {
                return null;
            }
            JournalEntry::query()->where('page_id', $page->id)->where('state', 'undone')->update(['state' => 'dropped']);

            return $store->write($change, $op->title(), $user->id);
        }, false);
    }

    public function undo(Page $page, User $user, int $base, string $lease): Applied
    {
        return $this->swap($page, $user, $base, $lease, true);
    }

    public function redo(Page $page, User $user, int $base, string $lease): Applied
    {
        return $this->swap($page, $user, $base, $lease, false);
    }

    private function swap(Page $page, User $user, int $base, string $lease, bool $back): Applied
    {
        return $this->locked($page, $user, $base, $lease, function (Page $page, PageStore $store) use ($back): JournalEntry {
            $entries = JournalEntry::query()->where('page_id', $page->id)->where('state', $back ? 'done' : 'undone');
            $entry = ($back ? $entries->latest('id') : $entries->oldest('id'))->first()
                ?? throw new OpRefused($back ? 'There is nothing left to undo.' : 'There is nothing to redo.');
            $store->swap($entry, $back);
            $entry->forceFill(['state' => $back ? 'undone' : 'done'])->save();

            return $entry;
        }, $back);
    }

    /** @param  callable(Page, PageStore): ?JournalEntry  $work */
    private function locked(Page $page, User $user, ?int $base, ?string $lease, callable $work, bool $back): Applied
    {
        return DB::transaction(function () use ($page, $user, $base, $lease, $work, $back): Applied {
            $row = Page::query()->lockForUpdate()->findOrFail($page->id);
            if ($lease !== null) {
                Lease::check($row, $user, $lease);
            }
            if ($base !== null && $base !== $row->revision) {
                throw new Conflict('The page has moved on since. It is loaded again; your change was not made.', ['reason' => 'revision', 'revision' => $row->revision]);
            }
            $entry = $work($row, new PageStore($row));
            if ($entry !== null) {
                $row->forceFill(['revision' => $row->revision + 1])->save();
            }

            return new Applied($row->revision, $entry, $back);
        });
    }
}
