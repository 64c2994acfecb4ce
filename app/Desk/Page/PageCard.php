<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Page;
use App\Models\Role;
use App\Models\Series;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A page as the shelf and the series show it.
 *
 * @phpstan-type PageCardState array{id: int, number: int, title: string, revision: int, regions: int, unfilled: int,
 *     passes: int, waiting: bool, scan: ?int, holder: ?string}
 * @phpstan-type SeriesCard array{id: int, name: string, role: value-of<Role>, pages: list<PageCardState>}
 */
final readonly class PageCard
{
    /**
     * Asks for all that cards of these pages show, in a number of questions that does not grow with them.
     *
     * @param  Builder<Page>|HasMany<Page, Series>  $pages
     * @return Builder<Page>
     */
    public static function counted(Builder|HasMany $pages): Builder
    {
        $query = $pages instanceof HasMany ? $pages->getQuery() : $pages;

        return $query
            ->with('holder')
            ->withCount([
                'regions',
                'regions as unfilled_count' => fn (Builder $regions) => $regions->where('material_id', 0),
                'passes',
            ])
            ->withExists('originals')
            ->withMax('originals', 'id');
    }

    /**
     * @param  Collection<int, Page>  $pages
     * @return list<PageCardState>
     */
    public static function all(Collection $pages): array
    {
        return array_values($pages->map(fn (Page $page): array => (new self($page))->toClient())->all());
    }

    public function __construct(private Page $page)
    {
    }

    /** @return PageCardState */
    public function toClient(): array
    {
        $page = $this->page;

        return [
            'id' => $page->id,
            'number' => $page->number,
            'title' => $page->title,
            'revision' => $page->revision,
            'regions' => (int) $page->regions_count,
            'unfilled' => (int) $page->unfilled_count,
            'passes' => (int) $page->passes_count,
            'waiting' => (int) $page->regions_count === 0 && (bool) $page->originals_exists,
            'scan' => (int) $page->regions_count === 0 ? $page->originals_max_id : null,
            'holder' => $page->heldBy()?->name,
        ];
    }
}
