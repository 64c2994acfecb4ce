<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\Tasks;
use App\Models\Page;
use App\Models\ReferencePicture;
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
        $request->validate(['page' => 'sometimes|integer', 'reference' => 'sometimes|integer', 'picture' => 'sometimes|'.self::picture()]);
        $task = $tasks->begin($series, self::person($request), 'match', match (true) {
            $request->has('page') => self::page(Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page'))),
            $request->has('reference') => self::reference(ReferencePicture::query()->where('series_id', $series->id)->findOrFail($request->integer('reference'))),
            default => self::sent($request, $series, $originals),
        });

        return new JsonResponse($task->toClient(), 202);
    }

    /** @return array{page: int, name: string} */
    private static function page(Page $page): array
    {
        return ['page' => $page->id, 'name' => "$page->number. $page->title"];
    }

    /** @return array{reference: int, name: string} */
    private static function reference(ReferencePicture $reference): array
    {
        return ['reference' => $reference->id, 'name' => $reference->name];
    }

    /** @return array{original: int, name: string} */
    private static function sent(Request $request, Series $series, Originals $originals): array
    {
        $request->validate(['picture' => 'required']);
        $original = self::kept($request, $series, $originals);

        return ['original' => $original->id, 'name' => $original->name];
    }
}
