<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\LayerName;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FindingKind;
use Awning\Core\Proof\StrayPixels;
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
        $borders = Cache::remember("page-regions:{$this->page->id}:$state", self::SECONDS, function () use ($store): array {
            $sheet = new Sheet($store);

            return RegionGraph::of($sheet->labels(), $sheet->ink())->borders;
        });

        return new RegionGraph($borders);
    }

    /** @return list<Finding> pixels that lie apart from the region they are of */
    public function strays(): array
    {
        $store = new PageStore($this->page);
        $state = hash('sha256', serialize($store->hashesOf(LayerName::flats())));
        /** @var list<array{list<int>, int, int, float}> $strays */
        $strays = Cache::remember("page-strays:{$this->page->id}:$state", self::SECONDS, fn (): array => array_map(
            fn (Finding $stray): array => [$stray->labels, $stray->x, $stray->y, $stray->amount], StrayPixels::in((new Sheet($store))->labels()),
        ));

        return array_map(fn (array $stray): Finding => new Finding(FindingKind::Stray, ...$stray), $strays);
    }
}
