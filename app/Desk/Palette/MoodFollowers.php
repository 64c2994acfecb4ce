<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Page;
use App\Models\Series;
use App\Store\PageStore;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Awning\Core\Sheet\Sheet;

/**
 * The pages of a series that are shown in a mood, and whether a page's layers are still the mood's.
 *
 * @phpstan-type MoodFollowerState array{page: int, number: int, title: string, isChanged: bool}
 */
final readonly class MoodFollowers
{
    public function __construct(private Series $series, private string $name, private WearMood $mood)
    {
    }

    /** @return list<MoodFollowerState> in the order of the pages' numbers */
    public function toClient(): array
    {
        /** @var list<Page> $pages */
        $pages = Page::query()
            ->where('series_id', $this->series->id)
            ->where('mood', $this->name)
            ->orderBy('number')
            ->get()
            ->all();

        return array_map(
            fn (Page $page): array => [
                'page' => $page->id,
                'number' => $page->number,
                'title' => $page->title,
                'isChanged' => ! $this->mood->isWorn(new Sheet(new PageStore($page))),
            ],
            $pages,
        );
    }
}
