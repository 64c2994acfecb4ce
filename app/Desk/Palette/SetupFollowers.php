<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Figure;
use App\Models\Page;
use App\Models\PassRow;
use App\Models\SeriesSetup;

/**
 * Where a setup hangs.
 *
 * @phpstan-type SetupFollowerState array{page: int, number: int, figures: list<string>}
 */
final readonly class SetupFollowers
{
    public function __construct(private SeriesSetup $setup)
    {
    }

    /** @return list<SetupFollowerState> in the order of the pages' numbers */
    public function toClient(): array
    {
        /** @var array<int, string> $names */
        $names = Figure::query()->where('series_id', $this->setup->series_id)->pluck('name', 'id')->all();
        $hung = [];
        foreach (
            PassRow::query()
                ->where('setup_id', $this->setup->id)
                ->distinct()
                ->orderBy('figure_id')
                ->get(['page_id', 'figure_id']) as $pass
        ) {
            $hung[$pass->page_id][] = $names[$pass->figure_id] ?? 'a figure that is gone';
        }
        /** @var list<Page> $pages */
        $pages = Page::query()
            ->where('series_id', $this->setup->series_id)
            ->whereKey(array_keys($hung))
            ->orderBy('number')
            ->get()
            ->all();

        return array_map(
            fn (Page $page): array => ['page' => $page->id, 'number' => $page->number, 'figures' => $hung[$page->id]],
            $pages,
        );
    }
}
