<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PageRegions;
use App\Desk\Palette\SeriesPalette;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\FinderKinds;
use Awning\Core\Proof\ProofPage;
use Awning\Core\Sheet\Export\StackBuilder;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;

/** What of a page is worth a look. */
final class FindingsController
{
    public function __invoke(Page $page): JsonResponse
    {
        $sheet = new Sheet(new PageStore($page));
        if ($sheet->isEmpty()) {
            return new JsonResponse([]);
        }
        $kept = new PageRegions($page);
        $flats = (new StackBuilder)->build($sheet, SeriesPalette::of($page)->core())->flats;
        /** @var array<int, Region> $regions */
        $regions = $sheet->all(Region::class);
        $looked = new ProofPage(
            regions: $regions,
            passes: $sheet->all(PassSpec::class),
            dpi: $sheet->size()->dpi,
            colour: fn (int $label): ?int => $flats[$label]->tones['base'] ?? null,
            graph: $kept->graph(...),
            labels: $sheet->labels(...),
            ink: $sheet->ink(...),
        );

        return new JsonResponse(FinderKinds::lookThrough($looked, $kept->found(...)));
    }
}
