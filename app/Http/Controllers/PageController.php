<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Feed;
use App\Desk\PagePicture;
use App\Desk\PageState;
use App\Models\Page;
use App\Models\User;
use Awning\Core\Codec\PngWriter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

final class PageController
{
    /** Pages on the shelf and the series page are shown at an eighth of their size. */
    private const PICTURE_LEVEL = 3;

    public function show(Request $request, Page $page): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse((new PageState($page))->toClient($user->roleIn($page->series)));
    }

    /** What changed since a revision and a palette version; with wait, as soon as something did. */
    public function feed(Request $request, Page $page): JsonResponse
    {
        $request->validate(['since' => 'required|integer|min:0', 'palette' => 'required|integer|min:0', 'wait' => 'sometimes|boolean']);

        return new JsonResponse((new Feed($page))->since($request->integer('since'), $request->integer('palette'), $request->boolean('wait')));
    }

    public function picture(Page $page): Response
    {
        $path = sprintf('pictures/%d-%d-%d.png', $page->id, $page->revision, $page->series->palette_version);
        $disk = Storage::disk('works');
        if (! $disk->exists($path)) {
            $paint = (new PagePicture($page))->reduced(self::PICTURE_LEVEL);
            abort_if($paint === null, 404);
            $disk->put($path, (new PngWriter)->paint($paint));
        }

        return new Response((string) $disk->get($path), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
