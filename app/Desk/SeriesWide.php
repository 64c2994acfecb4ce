<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;

/**
 * One change to several pages: each is changed or left by itself, and can be undone there.
 *
 * @phpstan-type PageOutcome array{page: int, number: int, done: bool, why: string}
 */
final readonly class SeriesWide
{
    public function __construct(private Series $series)
    {
    }

    /**
     * @param  list<int>  $pages  of the series; others are passed over
     * @return list<PageOutcome> in the order of the pages' numbers
     */
    public function apply(User $user, array $pages, Op $op): array
    {
        $outcomes = [];
        /** @var list<Page> $found */
        $found = Page::query()->where('series_id', $this->series->id)->whereKey($pages)->orderBy('number')->get()->all();
        foreach ($found as $page) {
            [$done, $why] = $this->one($page, $user, $op);
            $outcomes[] = ['page' => $page->id, 'number' => $page->number, 'done' => $done, 'why' => $why];
        }

        return $outcomes;
    }

    /** @return array{bool, string} */
    private function one(Page $page, User $user, Op $op): array
    {
        try {
            return (new PageDesk)->applyBeside($page, $user, $op) ? [true, 'Done. Undo on the page takes it back.'] : [false, 'Nothing changes on this page.'];
        } catch (Conflict|OpRefused $error) {
            return [false, $error->getMessage()];
        }
    }
}
