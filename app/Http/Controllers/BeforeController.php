<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Flats\FillsOfBefore;
use Awning\Core\Flats\RegionShape;
use Awning\Core\Page\Region\Region;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;

/** What a page's unfilled regions may be, by those of the page before that lie alike; nothing is changed by asking. */
final class BeforeController
{
    /** Shapes are told well enough at an eighth of the size. */
    private const LEVEL = 3;

    public function __invoke(Page $page): JsonResponse
    {
        /** @var ?Page $before */
        $before = Page::query()
            ->where('series_id', $page->series_id)
            ->where('number', '<', $page->number)
            ->whereNotNull('width')
            ->orderByDesc('number')
            ->first();
        if ($before === null) {
            return new JsonResponse((object) []);
        }
        $open = array_filter(
            (new Sheet(new PageStore($page)))->all(Region::class),
            fn (Region $region): bool => ! $region->isFilled() && ! $region->locked,
        );
        $filled = array_filter(
            (new Sheet(new PageStore($before)))->all(Region::class),
            fn (Region $region): bool => $region->isFilled(),
        );
        $guesses = FillsOfBefore::guess(
            array_intersect_key($this->shapes($page), $open),
            array_intersect_key($this->shapes($before), $filled),
        );

        return new JsonResponse((object) array_map(fn (int $label): int => $filled[$label]->material, $guesses));
    }

    /** @return array<int, RegionShape> by label */
    private function shapes(Page $page): array
    {
        $sheet = new Sheet(new Pyramid(new PageStore($page), self::LEVEL));

        return $sheet->isEmpty() ? [] : RegionShape::all($sheet->labels());
    }
}
