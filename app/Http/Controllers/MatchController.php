<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\Tasks;
use App\Models\Page;
use App\Models\Series;
use App\Store\Originals;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Holds a page of ours, a picture that hangs on the board, or one that is sent, against the palette. */
final class MatchController
{
    use TakesPictures;

    public function __invoke(Request $request, Series $series, Originals $originals, Tasks $tasks): JsonResponse
    {
        $request->validate(['page' => 'sometimes|integer']);
        $what = $request->has('page') ? self::page($request, $series) : self::meant($request, $series, $series, $originals);

        return new JsonResponse($tasks->begin($series, self::person($request), 'match', $what)->toClient(), 202);
    }

    /** @return array{page: int, name: string} */
    private static function page(Request $request, Series $series): array
    {
        $page = Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page'));

        return ['page' => $page->id, 'name' => "$page->number. $page->title"];
    }
}
