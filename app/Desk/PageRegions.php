<?php

declare(strict_types=1);

namespace App\Desk;

use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\LayerName;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FindingKind;
use Awning\Core\Proof\Spills;
use Awning\Core\Proof\StrayPixels;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\Cache;

/** How the regions of a page lie beside each other: made once for the flats and the ink there are. */
final readonly class PageRegions
{
    private const SECONDS = 1800;

    private PageStore $store;

    public function __construct(private Page $page)
    {
        $this->store = new PageStore($page);
    }

    public function graph(): RegionGraph
    {
        /** @var array<int, array<int, array{int, float}>> $borders */
        $borders = Cache::remember("page-regions:{$this->page->id}:{$this->state()}", self::SECONDS, function (): array {
            $sheet = new Sheet($this->store);

            return RegionGraph::of($sheet->labels(), $sheet->ink())->borders;
        });

        return new RegionGraph($borders);
    }

    /** @return list<Finding> pixels that lie apart from the region they are of, or show beyond its line */
    public function pixels(): array
    {
        $found = Cache::remember("page-pixels:{$this->page->id}:{$this->state()}", self::SECONDS, function (): array {
            $sheet = new Sheet($this->store);

            return array_map(fn (Finding $finding): array => [$finding->kind->value, $finding->labels, $finding->x, $finding->y, $finding->amount], [
                ...Spills::in($sheet->labels(), $sheet->ink()), ...StrayPixels::in($sheet->labels()),
            ]);
        });
        /** @var list<array{string, list<int>, int, int, float}> $found */

        return array_map(fn (array $one): Finding => new Finding(FindingKind::from($one[0]), $one[1], $one[2], $one[3], $one[4]), $found);
    }

    /** Names the flats and the ink there are. */
    private function state(): string
    {
        return hash('sha256', serialize([$this->store->hashesOf(LayerName::flats()), $this->store->hashesOf(LayerName::ink())]));
    }
}
