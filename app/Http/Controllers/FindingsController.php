<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\PageRegions;
use App\Desk\SeriesPalette;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Page\ColourShift;
use Awning\Core\Page\Region;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FlatsProof;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;

/** What is odd about a page's flats. */
final class FindingsController
{
    public function __invoke(Page $page): JsonResponse
    {
        $sheet = new Sheet(new PageStore($page));
        if ($sheet->isEmpty()) {
            return new JsonResponse([]);
        }
        $regions = new PageRegions($page);
        $materials = (new SeriesPalette($page->series))->core()->materials;
        $shifts = $sheet->all(ColourShift::class);
        $colour = function (Region $region) use ($materials, $shifts): ?int {
            $tones = $materials[$region->material] ?? null;
            $shift = $shifts[$region->shift ?? ''] ?? null;

            return $tones === null ? null : ($shift === null ? $tones : $shift->tones($tones))['base'];
        };
        /** @var array<int, Region> $all */
        $all = $sheet->all(Region::class);
        $findings = (new FlatsProof($all, $regions->graph()))->findings($colour, $sheet->size()->dpi, $regions->strays());

        return new JsonResponse(array_map(fn (Finding $finding): array => $finding->toData(), $findings));
    }
}
