<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\JournalEntry;
use App\Models\Page;
use App\Models\PageChange;
use App\Models\Role;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\DB;

/** The one door through which a page changes: one op, one transaction, one journal entry, one revision. */
final class PageDesk
{
    /**
     * @param  ?Asked  $asked  null for work that needs no lease: the demo, a task begun by the holder
     *
     * @throws Conflict
     * @throws OpRefused
     */
    public function apply(Page $page, User $user, Op $op, ?Asked $asked = null): Applied
    {
        return $this->locked($page, $user, $asked, function (PageStore $store) use ($page, $user, $op): ?JournalEntry {
            $sheet = new Sheet($store);
            $op->apply($sheet);
            $change = $sheet->takeChange();
            if ($change->isEmpty()) {
                return null;
            }
            JournalEntry::query()->where('page_id', $page->id)->where('state', 'undone')->update(['state' => 'dropped']);

            return $store->write($change, $op, $user->id);
        }, false);
    }

    /** @throws Conflict|OpRefused */
    public function undo(Page $page, User $user, Role $role, Asked $asked): Applied
    {
        return $this->swap($page, $user, $role, $asked, true);
    }

    /** @throws Conflict|OpRefused */
    public function redo(Page $page, User $user, Role $role, Asked $asked): Applied
    {
        return $this->swap($page, $user, $role, $asked, false);
    }

    private function swap(Page $page, User $user, Role $role, Asked $asked, bool $back): Applied
    {
        return $this->locked($page, $user, $asked, function (PageStore $store) use ($page, $role, $back): JournalEntry {
            $entries = JournalEntry::query()->where('page_id', $page->id)->where('state', $back ? 'done' : 'undone');
            $entry = ($back ? $entries->latest('id') : $entries->oldest('id'))->first()
                ?? throw new OpRefused($back ? 'There is nothing left to undo.' : 'There is nothing to redo.');
            ClientOps::check($role, $entry->right);
            $store->swap($entry, $back);
            $entry->forceFill(['state' => $back ? 'undone' : 'done'])->save();

            return $entry;
        }, $back);
    }

    /** @param  callable(PageStore): ?JournalEntry  $work */
    private function locked(Page $page, User $user, ?Asked $asked, callable $work, bool $back): Applied
    {
        return DB::transaction(function () use ($page, $user, $asked, $work, $back): Applied {
            $row = Page::query()->lockForUpdate()->findOrFail($page->id);
            if ($asked !== null) {
                $done = PageChange::query()->where('page_id', $row->id)->where('op_id', $asked->id)->first();
                if ($done !== null) {
                    return Applied::again($done);
                }
                Lease::check($row, $user, $asked->lease);
                if ($asked->base !== $row->revision) {
                    throw new Conflict('The page has moved on since.', ['reason' => 'revision', 'revision' => $row->revision]);
                }
            }
            $entry = $work(new PageStore($row));
            if ($entry !== null) {
                $row->newQuery()->whereKey($row->id)->update(['revision' => ++$row->revision]);
                PageChange::query()->create(['page_id' => $row->id, 'revision' => $row->revision, 'journal_id' => $entry->id, 'back' => $back, 'op_id' => $asked?->id]);
            }

            return new Applied($row->revision, $entry, $back);
        });
    }
}
