<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Name;
use App\Desk\Page\PagePicture;
use App\Desk\Palette\PaletteVersions;
use App\Models\Page;
use App\Models\PaletteVersion;
use App\Models\Series;
use App\Models\User;
use Awning\Core\Codec\PngWriter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Named versions of a palette: made, compared, restored, held by pages. */
final class PaletteVersionController
{
    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new PaletteVersions($series))->toClient());
    }

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(80)]]);
        /** @var User $user */
        $user = $request->user();
        $version = (new PaletteVersions($series))->name($user, $request->string('name')->toString());

        return new JsonResponse(['id' => $version->id], 201);
    }

    /** What differs between two; 0: the palette now. */
    public function compare(Request $request, Series $series): JsonResponse
    {
        $request->validate(['from' => 'required|integer', 'to' => 'required|integer']);

        return new JsonResponse(
            (new PaletteVersions($series))->between(
                self::version($series, $request->integer('from')),
                self::version($series, $request->integer('to')),
            ),
        );
    }

    /** A small picture of a page as it would be by that version, or with 0 by the palette now. */
    public function picture(Series $series, Page $page, int $number): Response
    {
        $picture = PagePicture::asIf($page, self::version($series, $number));
        abort_if($picture === null, 404);

        return new Response((new PngWriter)->paint($picture), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, no-cache',
        ]);
    }

    private static function version(Series $series, int $id): ?PaletteVersion
    {
        return $id === 0 ? null : PaletteVersion::query()->where('series_id', $series->id)->findOrFail($id);
    }
}
