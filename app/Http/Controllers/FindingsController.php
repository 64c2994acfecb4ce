<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\PageRegions;
use App\Desk\SeriesPalette;
use App\Models\Page;
use App\Store\PageStore;
use Awning\Core\Page\Region;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FlatsProof;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\StackBuilder;
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
        $flats = (new StackBuilder)->build($sheet, SeriesPalette::of($page)->core())->flats;
        /** @var array<int, Region> $all */
        $all = $sheet->all(Region::class);
        $findings = (new FlatsProof($all, $regions->graph()))->findings(fn (int $label): ?int => $flats[$label]->tones['base'] ?? null, $sheet->size()->dpi, $regions->pixels());

        return new JsonResponse(array_map(fn (Finding $finding): array => $finding->toData(), $findings));
    }
}
