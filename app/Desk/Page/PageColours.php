<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\ColourOnPage;
use Awning\Core\Proof\SeenColours;
use Awning\Core\Raster\Paint;
use Awning\Core\Sheet\Sheet;
use Illuminate\Support\Facades\Cache;

/**
 * What each material looks like on a page: its flats, those with the light on them, and what a reader sees, moods and
 * all.
 *
 * @phpstan-type SeenState array{flat: string, lit: string, seen: string, share: float, x: int, y: int}
 * @phpstan-type PageColoursState array{page: int, number: int, materials: array<int, SeenState>}
 */
final readonly class PageColours
{
    /** An eighth of the page's size: means do not need more. */
    private const LEVEL = 3;

    private const SECONDS = 86_400;

    public function __construct(private Page $page)
    {
    }

    /** @return ?PageColoursState null while they have not been measured as the page is now */
    public function toClient(): ?array
    {
        /** @var ?array<int, SeenState> $materials */
        $materials = Cache::get($this->key());

        return $materials === null
            ? null
            : ['page' => $this->page->id, 'number' => $this->page->number, 'materials' => $materials];
    }

    /** Measures them, unless that was done. It takes seconds. */
    public function measure(): void
    {
        Cache::remember($this->key(), self::SECONDS, $this->measured(...));
    }

    private function key(): string
    {
        return "page-colours-lit:{$this->page->id}:{$this->page->revision}:{$this->page->series->palette_version}";
    }

    /** @return array<int, SeenState> by material */
    private function measured(): array
    {
        $sheet = new Sheet(new Pyramid(new PageStore($this->page), self::LEVEL));
        if ($sheet->isEmpty()) {
            return [];
        }
        $palette = SeriesPalette::of($this->page);
        [$lit, $picture] = PagePicture::litAndSeen($sheet, $palette);
        $bases = $palette->core()->materials;
        $seen = self::colours($sheet, $picture);
        $shone = $lit === $picture ? $seen : self::colours($sheet, $lit);
        $largest = $this->largest();
        $states = [];
        foreach (array_intersect_key($seen, $bases, $largest) as $material => $colour) {
            $states[$material] = [
                'flat' => sprintf('#%06x', $bases[$material]['base']),
                'lit' => $shone[$material]->colour->hex(),
                'seen' => $colour->colour->hex(),
                'share' => round($colour->share, 6),
                'x' => $largest[$material]->x,
                'y' => $largest[$material]->y,
            ];
        }

        return $states;
    }

    /** @return array<int, ColourOnPage> by material */
    private static function colours(Sheet $sheet, Paint $picture): array
    {
        return SeenColours::of(
            $picture,
            $sheet->labels(),
            $sheet->ink(),
            array_map(fn (Region $region): int => $region->material, $sheet->all(Region::class)),
        );
    }

    /** @return array<int, Region> of each material its largest region, in the page's own pixels */
    private function largest(): array
    {
        $largest = [];
        foreach ((new PageStore($this->page))->records(RecordKind::Region) as $region) {
            if ($region instanceof Region && $region->area > ($largest[$region->material]->area ?? 0)) {
                $largest[$region->material] = $region;
            }
        }

        return $largest;
    }
}
