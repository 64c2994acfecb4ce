<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Desk\Conflict;
use App\Desk\Page\PageDesk;
use App\Models\Page;
use App\Models\Series;
use App\Models\Task;
use App\Models\User;
use App\Store\NotKept;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;

/**
 * One change to several pages: each is changed or left by itself, and can be undone there.
 *
 * @phpstan-import-type PageOutcome from Task
 */
final readonly class SeriesWide
{
    public function __construct(private Series $series)
    {
    }

    /**
     * @param  list<int>  $pages  of the series; others are passed over
     * @param  list<int>  $without  of them
     * @return list<Page> in the order of their numbers
     */
    public function ordered(array $pages, array $without = []): array
    {
        /** @var list<Page> $found */
        $found = Page::query()
            ->where('series_id', $this->series->id)
            ->whereKey($pages)
            ->whereKeyNot($without)
            ->orderBy('number')
            ->get()
            ->all();

        return $found;
    }

    /**
     * @param  string  $id  of what is asked for: asked for again, it is not done again on this page
     * @return PageOutcome
     */
    public function one(Page $page, User $user, Op $op, string $id): array
    {
        $outcome = ['page' => $page->id, 'number' => $page->number];
        try {
            return $outcome +
                ((new PageDesk)->applyBeside($page, $user, $op, $id)
                    ? ['done' => true, 'why' => 'Done. Undo on the page takes it back.']
                    : ['done' => false, 'why' => 'Nothing changes on this page.']);
        } catch (Conflict|OpRefused|NotKept $error) {
            return $outcome + ['done' => false, 'why' => $error->getMessage()];
        }
    }
}
