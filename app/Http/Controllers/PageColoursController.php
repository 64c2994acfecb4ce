<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\PageColours;
use App\Models\Page;
use Illuminate\Http\JsonResponse;

/** What each material looks like on a page; null while that is not measured, which a task of the series does. */
final class PageColoursController
{
    public function __invoke(Page $page): JsonResponse
    {
        return new JsonResponse((new PageColours($page))->toClient());
    }
}
