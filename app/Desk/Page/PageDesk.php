<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Asked;
use App\Desk\Conflict;
use App\Desk\TaskEnded;
use App\Models\JournalEntry;
use App\Models\Member;
use App\Models\Page;
use App\Models\PageChange;
use App\Models\Role;
use App\Models\Task;
use App\Models\User;
use App\Store\NotKept;
use App\Store\PageStore;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Change;
use Illuminate\Support\Facades\DB;

/** The one door through which a page changes: one op, one transaction, one journal entry, one revision. */
final class PageDesk
{
    /** The sweep and an op may block each other: the database then ends one of them, which begins again. */
    private const TRIES = 5;

    /**
     * @param  ?Asked  $asked  null for work that needs no lease: the demo
     *
     * @throws Conflict
     * @throws OpRefused
     */
    public function apply(Page $page, User $user, Op $op, ?Asked $asked = null): Applied
    {
        if ($op instanceof Prepares) {
            OpRefused::onInvalidValues(fn () => $op->prepare(new Sheet(new PageStore($page))));
        }

        return $this->locked(
            $page,
            $asked?->id,
            fn (Page $row) => $this->check($row, $user, $asked),
            fn (PageStore $store): ?JournalEntry => $this->write($store, $page, $user, $op),
            false,
        );
    }

    /**
     * A change from outside the bench: to a page that nobody else works on. A window of the person's own that has it
     * open learns of it.
     *
     * @param  ?string  $id  of what is asked for: asked for again, it is not done again
     * @return bool whether there was anything to do
     *
     * @throws Conflict when somebody else works on it
     * @throws OpRefused when the person may not, or not any more
     * @throws NotKept
     */
    public function applyBeside(Page $page, User $user, Op $op, ?string $id = null): bool
    {
        return $this->locked(
            $page,
            $id,
            function (Page $row) use ($user, $op): void {
                ClientOps::check($this->roleNow($row, $user), $op->right());
                Lease::checkFree($row, $user);
            },
            fn (PageStore $store): ?JournalEntry => $this->write($store, $page, $user, $op),
            false,
        )->entry !== null;
    }

    /**
     * Lays what a task made on the page and ends the task, both or neither: a stop, a page given back, a second run of
     * the same job are looked for under the same locks.
     *
     * @throws Conflict when the page is no longer held as it was when the task began
     * @throws TaskEnded when the task was stopped, or has landed already
     * @throws OpRefused when the person may not, or not any more
     */
    public function land(Task $task, Op $op): Applied
    {
        return $this->locked(
            $task->onPage(),
            "task-$task->id",
            function (Page $row) use ($task, $op): void {
                ClientOps::check($this->roleNow($row, $task->user), $op->right());
                $state = Task::query()->lockForUpdate()->whereKey($task->id)->value('state');
                if ($state !== 'working') {
                    throw new TaskEnded;
                }
                if ($task->lease !== null) {
                    Lease::check($row, $task->user, $task->lease);
                } else {
                    Lease::checkFree($row, $task->user);
                }
            },
            function (PageStore $store) use ($task, $op): ?JournalEntry {
                $entry = $this->write($store, $task->onPage(), $task->user, $op);
                $task->finish();

                return $entry;
            },
            false,
        );
    }

    /**
     * What the person may do at this moment: it cannot be changed until the page's change is done.
     *
     * @throws OpRefused when they have no part in the series any more
     */
    private function roleNow(Page $row, User $user): Role
    {
        $role = Member::query()
            ->where('series_id', $row->series_id)
            ->where('user_id', $user->id)
            ->sharedLock()
            ->value('role');

        return $role instanceof Role && $user->refresh()->mayComeIn()
            ? $role
            : throw new OpRefused('You are no longer one of the people of this series. Nothing was changed.');
    }

    private function write(PageStore $store, Page $page, User $user, Op $op): ?JournalEntry
    {
        $sheet = new Sheet($store);
        $change = OpRefused::onInvalidValues(function () use ($op, $sheet): Change {
            $op->apply($sheet);

            return $sheet->takeChange();
        });
        if ($change->isEmpty()) {
            return null;
        }
        JournalEntry::query()
            ->where('page_id', $page->id)
            ->where('state', 'undone')
            ->update(['state' => 'dropped']);

        return $store->write($change, $op, $user->id);
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
        return $this->locked(
            $page,
            $asked->id,
            fn (Page $row) => $this->check($row, $user, $asked),
            function (PageStore $store) use ($page, $role, $back): JournalEntry {
                $entries = JournalEntry::query()
                    ->where('page_id', $page->id)
                    ->where('state', $back ? 'done' : 'undone');
                $entry =
                    ($back ? $entries->latest('id') : $entries->oldest('id'))->first() ??
                    throw new OpRefused($back ? 'There is nothing left to undo.' : 'There is nothing to redo.');
                ClientOps::check($role, $entry->right);
                $store->swap($entry, $back);
                $entry->forceFill(['state' => $back ? 'undone' : 'done'])->save();

                return $entry;
            },
            $back,
        );
    }

    private function check(Page $row, User $user, ?Asked $asked): void
    {
        if ($asked === null) {
            return;
        }
        Lease::check($row, $user, $asked->lease);
        if ($asked->base !== $row->revision) {
            throw new Conflict('The page has moved on since.', ['reason' => 'revision', 'revision' => $row->revision]);
        }
    }

    /**
     * @param  ?string  $id  of what is asked for: asked for again, it is not done again
     * @param  callable(Page): void  $check  throws when it may not be done
     * @param  callable(PageStore): ?JournalEntry  $work
     */
    private function locked(Page $page, ?string $id, callable $check, callable $work, bool $back): Applied
    {
        return DB::transaction(function () use ($page, $id, $check, $work, $back): Applied {
            $row = Page::query()->lockForUpdate()->findOrFail($page->id);
            $done = $id === null ? null : PageChange::query()->where('page_id', $row->id)->where('op_id', $id)->first();
            if ($done !== null) {
                return Applied::again($done);
            }
            $check($row);
            $entry = $work(new PageStore($row));
            if ($entry !== null) {
                $row->newQuery()
                    ->whereKey($row->id)
                    ->update(['revision' => ++$row->revision]);
                PageChange::query()->create([
                    'page_id' => $row->id,
                    'revision' => $row->revision,
                    'journal_id' => $entry->id,
                    'back' => $back,
                    'op_id' => $id,
                ]);
            }

            return new Applied($row->revision, $entry, $back);
        }, self::TRIES);
    }
}
