<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PageDesk;
use App\Desk\Page\PassHistory;
use App\Models\Page;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What was painted in a pass, and the way back. */
final class PassHistoryController
{
    public function index(Page $page, string $pass): JsonResponse
    {
        return new JsonResponse((new PassHistory($page, $pass))->toClient());
    }

    public function restore(Request $request, Page $page, string $pass): JsonResponse
    {
        $request->validate(['entry' => 'required|integer|min:1']);
        /** @var User $user */
        $user = $request->user();
        $isChanged = (new PageDesk)->applyBeside(
            $page,
            $user,
            (new PassHistory($page, $pass))->backTo($request->integer('entry')),
        );

        return new JsonResponse(['changed' => $isChanged]);
    }
}
