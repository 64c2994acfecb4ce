<?php

declare(strict_types=1);

namespace App\Desk;

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
        $names = Figure::query()->where('series_id', $this->setup->series_id)->pluck('name', 'id')->all();
        /** @var list<Page> $pages */
        $pages = Page::query()->where('series_id', $this->setup->series_id)->orderBy('number')->get()->all();
        $followers = [];
        foreach ($pages as $page) {
            $figures = PassRow::query()->where('page_id', $page->id)->where('setup_id', $this->setup->id)->distinct()->orderBy('figure_id')->pluck('figure_id')->all();
            if ($figures !== []) {
                $followers[] = ['page' => $page->id, 'number' => $page->number, 'figures' => array_map(fn (mixed $figure): string => $names[$figure] ?? 'a figure that is gone', array_values($figures))];
            }
        }

        return $followers;
    }
}
