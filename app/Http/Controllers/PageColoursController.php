<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PageColours;
use App\Models\Page;
use Illuminate\Http\JsonResponse;

/** What each material looks like on a page; null while that is not measured, which a task of the series does. */
final class PageColoursController
{
    public function __invoke(Page $page): JsonResponse
    {
        // Encoded here: given nothing, a response would answer with an empty object.
        return new JsonResponse(json_encode((new PageColours($page))->toClient(), JSON_THROW_ON_ERROR), json: true);
    }
}
