<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\Cache;

/** How the regions of a page lie beside each other: made once for the flats and the ink there are. */
final readonly class PageRegions
{
    private const SECONDS = 1800;

    public function __construct(private Page $page)
    {
    }

    public function graph(): RegionGraph
    {
        $store = new PageStore($this->page);
        $state = hash('sha256', serialize([$store->hashesOf(LayerName::flats()), $store->hashesOf(LayerName::ink())]));
        /** @var array<int, array<int, array{int, float}>> $borders */
        $borders = Cache::remember("page-regions:{$this->page->id}:$state", self::SECONDS, fn (): array => $this->made(new Sheet($store))->borders);

        return new RegionGraph($borders);
    }

    private function made(Sheet $sheet): RegionGraph
    {
        $size = $sheet->size();

        return RegionGraph::of(
            new Labels($size->width, $size->height, $sheet->layer(LayerName::flats())),
            new Plane($size->width, $size->height, $sheet->layer(LayerName::ink())),
        );
    }
}
