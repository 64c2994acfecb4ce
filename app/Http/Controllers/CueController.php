<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PageRegions;
use App\Models\Page;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Flats\CueSpread;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What rough dabs of materials mean for the regions around; nothing is changed by asking. */
final class CueController
{
    private const MOST = 5000;

    public function __invoke(Request $request, Page $page): JsonResponse
    {
        $request->validate([
            'dabs' => 'required|array|max:'.self::MOST,
            'dabs.*' => 'list|size:3',
            'dabs.*.0' => 'integer|between:1,'.Labels::MOST,
            'dabs.*.1' => 'integer|min:1',
            'dabs.*.2' => 'integer|between:1,1000000',
        ]);
        $dabs = [];
        foreach ($request->array('dabs') as $dab) {
            [$label, $material, $length] = Scalar::ints((array) $dab);
            $dabs[$label][$material] = ($dabs[$label][$material] ?? 0) + $length;
        }
        // What is filled and was not dabbed is a cue, too: it stays, and what is unfilled beside it may mean the same.
        $regions = (new Sheet(new PageStore($page)))->all(Region::class);
        foreach ($regions as $label => $region) {
            if ($region->isFilled()) {
                $dabs[(int) $label] ??= [$region->material => 1];
            }
        }
        $spread = (new CueSpread((new PageRegions($page))->graph()))->spread(
            array_intersect_key($dabs, $regions),
            array_map(intval(...), array_keys($regions)),
        );

        return new JsonResponse(
            (object) array_filter(
                $spread,
                fn (int $material, int $label): bool => $regions[$label]->material !== $material,
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }
}
