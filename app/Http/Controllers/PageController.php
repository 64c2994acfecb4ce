<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Journal;
use App\Desk\PagePicture;
use App\Desk\SeriesPalette;
use App\Models\Page;
use App\Models\User;
use App\Store\PageStore;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Sheet\FactKind;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Storage;

final class PageController
{
    /** How small pages are shown on the shelf: a quarter of a quarter. */
    private const PICTURE_LEVEL = 3;

    public function show(Request $request, Page $page): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $store = new PageStore($page);
        $facts = [];
        foreach (FactKind::cases() as $kind) {
            $facts[$kind->value] = (object) $store->facts($kind);
        }

        return new JsonResponse([
            'id' => $page->id, 'number' => $page->number, 'title' => $page->title, 'revision' => $page->revision,
            'series' => ['id' => $page->series_id, 'name' => $page->series->name, 'readWidth' => $page->series->read_width_mm, 'readPpi' => $page->series->read_ppi],
            'role' => $user->roleIn($page->series),
            'facts' => $facts,
            'tiles' => (object) $store->allHashes(),
            'palette' => (new SeriesPalette($page->series))->toClient(),
            'journal' => (new Journal($page))->toClient(),
            'waiting' => $this->waiting($page, $store),
        ]);
    }

    public function revision(Page $page): JsonResponse
    {
        return new JsonResponse([
            'revision' => $page->revision, 'palette' => $page->series->palette_version,
            'holder' => $page->lease_until?->isFuture() ? ['id' => $page->holder_id, 'name' => $page->holder?->name] : null,
        ]);
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

    /** @return ?array{id: int, name: string} a scan that was left with the page and is not imported yet */
    private function waiting(Page $page, PageStore $store): ?array
    {
        $original = $store->facts(FactKind::Page) === [] ? $page->originals()->latest('id')->first() : null;

        return $original === null ? null : ['id' => $original->id, 'name' => $original->name];
    }
}
