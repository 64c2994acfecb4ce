<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\Feed;
use App\Desk\Page\PageState;
use App\Desk\Page\ShelfPicture;
use App\Models\Page;
use App\Models\User;
use App\Store\OriginalViews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class PageController
{
    public function show(Request $request, Page $page): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse((new PageState($page))->toClient($user->roleIn($page->series)));
    }

    /** What changed since a revision and a palette version; with wait, as soon as something did. */
    public function feed(Request $request, Page $page): JsonResponse
    {
        $request->validate([
            'since' => 'required|integer|min:0',
            'palette' => 'required|integer|min:0',
            'wait' => 'sometimes|boolean',
        ]);

        return new JsonResponse(
            (new Feed($page))->since(
                $request->integer('since'),
                $request->integer('palette'),
                $request->boolean('wait'),
            ),
        );
    }

    public function picture(Page $page): Response
    {
        $picture = new ShelfPicture($page);
        $bytes = $picture->bytes();
        abort_if($bytes === null, 404);
        // An older one is shown until the new one is made, and asked for again.
        $isCurrent = (new ShelfPicture($page->refresh()))->isCurrent();

        return new Response($bytes, 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => $isCurrent ? 'private, max-age=31536000, immutable' : 'private, no-store',
        ]);
    }

    /** A small picture of a file a drawing came from. */
    public function original(Request $request, Page $page, int $original, OriginalViews $views): Response
    {
        $request->validate(['picture' => 'sometimes|integer|min:1']);
        $bytes = $views->bytes($page->originals()->findOrFail($original), $request->integer('picture', 1));
        abort_if($bytes === null, 404);

        return new Response($bytes, 200, [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }
}
