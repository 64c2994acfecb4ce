<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\Lease;
use App\Http\Requests\HolderRequest;
use App\Models\Page;
use Illuminate\Http\JsonResponse;

/**
 * @phpstan-type LeaseState array{held: bool, holder: ?string}
 */
final class LeaseController
{
    public function store(HolderRequest $request, Page $page, Lease $lease): JsonResponse
    {
        $held = $lease->take($page, $request->person(), $request->lease());
        $page->refresh();

        return new JsonResponse(['held' => $held, 'holder' => $page->holder?->name]);
    }

    public function destroy(HolderRequest $request, Page $page, Lease $lease): JsonResponse
    {
        $lease->give($page, $request->person(), $request->lease());

        return new JsonResponse(null, 204);
    }
}
