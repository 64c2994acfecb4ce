<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\LayerName;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderKinds;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FromPixels;
use Awning\Core\Proof\ProofPage;
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
        $borders = Cache::remember(
            "page-regions:{$this->page->id}:{$this->state()}",
            self::SECONDS,
            function (): array {
                $sheet = new Sheet($this->store);

                return RegionGraph::of($sheet->labels(), $sheet->ink())->borders;
            },
        );

        return new RegionGraph($borders);
    }

    /**
     * What a finder finds; what follows from flats and ink alone is kept.
     *
     * @return list<Finding>
     */
    public function found(Finder $finder, ProofPage $page): array
    {
        if (! ($finder instanceof FromPixels)) {
            return $finder->find($page);
        }
        /** @var list<array{string, list<int>, ?int, ?int, float}> $found */
        $found = Cache::remember(
            "page-{$finder::kind()}:{$this->page->id}:{$this->state()}",
            self::SECONDS,
            fn (): array => array_map(
                fn (Finding $finding): array => [
                    $finding->words,
                    $finding->labels,
                    $finding->x,
                    $finding->y,
                    $finding->amount,
                ],
                array_slice($finder->find($page), 0, FinderKinds::MOST),
            ),
        );

        return array_map(fn (array $one): Finding => new Finding(...$one), $found);
    }

    /** Names the flats and the ink there are. */
    private function state(): string
    {
        return hash(
            'sha256',
            serialize([$this->store->hashesOf(LayerName::flats()), $this->store->hashesOf(LayerName::ink())]),
        );
    }
}
