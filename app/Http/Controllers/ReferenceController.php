<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PagePicture;
use App\Jobs\TaskInput;
use App\Jobs\Tasks;
use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\User;
use App\Store\Originals;
use App\Store\OriginalViews;
use Awning\Core\Codec\PngWriter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Pictures beside the work: hung up, arranged, taken away. */
final class ReferenceController
{
    /** So many may hang in one series. */
    private const MOST = 200;

    /** Where new ones go: so many beside each other, so far apart. */
    private const IN_A_ROW = 4;

    private const APART = 350;

    /** Those of the series, and of one page if it is named. */
    public function index(Request $request, Series $series): JsonResponse
    {
        $request->validate(['page' => 'sometimes|integer']);

        return $this->all($series, $request->has('page') ? $request->integer('page') : null);
    }

    public function store(Request $request, Series $series, Originals $originals, Tasks $tasks): JsonResponse
    {
        $request->validate(['of' => 'sometimes|integer', 'page' => 'sometimes|integer']);
        $page = $request->has('page')
            ? Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page'))
            : null;
        $hanging = ReferencePicture::query()->where('series_id', $series->id)->count();
        if ($hanging >= self::MOST) {
            throw ValidationException::withMessages([
                'picture' => self::MOST.' pictures hang here already. Take some away first.',
            ]);
        }
        $original = $request->has('of')
            ? self::ofPage($request, $series, $originals)
            : (new TaskInput($series, self::person($request), $request->all(), $originals))->file('picture');
        DB::transaction(function () use ($request, $series, $page, $original, $hanging, $tasks): void {
            $reference = ReferencePicture::query()->create([
                'series_id' => $series->id,
                'page_id' => $page?->id,
                'original_id' => $original->id,
                'name' => $original->name,
                'x' => self::APART * ($hanging % self::IN_A_ROW),
                'y' => self::APART * intdiv($hanging, self::IN_A_ROW),
            ]);
            $reference
                ->forceFill([
                    'task_id' => $tasks->begin($series, self::person($request), 'reference', [
                        'reference' => $reference->id,
                    ])->id,
                ])
                ->save();
        });

        return $this->all($series, $page?->id)->setStatusCode(202);
    }

    /** A page as it is now: to hold others beside it, and to pick colours out of it. */
    private static function ofPage(Request $request, Series $series, Originals $originals): Original
    {
        $page = Page::query()->where('series_id', $series->id)->findOrFail($request->integer('of'));
        $picture =
            PagePicture::upTo($page, OriginalViews::SIDE) ??
            throw ValidationException::withMessages(['of' => 'This page is empty; there is nothing to hang up yet.']);

        return $originals->keepBytes(
            $series,
            self::person($request),
            (new PngWriter)->paint($picture),
            "p. $page->number $page->title",
        );
    }

    /** Where it hangs, how wide, and whether mirrored or grey. */
    public function update(Request $request, Series $series, ReferencePicture $reference): JsonResponse
    {
        /** @var array<string, mixed> $values */
        $values = $request->validate([
            'x' => 'sometimes|numeric|between:-100000,100000',
            'y' => 'sometimes|numeric|between:-100000,100000',
            'across' => 'sometimes|numeric|between:40,8000',
            'mirrored' => 'sometimes|boolean',
            'grey' => 'sometimes|boolean',
        ]);
        $reference->forceFill($values)->save();

        return new JsonResponse($reference->toClient());
    }

    public function destroy(Series $series, ReferencePicture $reference, Originals $originals): Response
    {
        $originals->discard($reference->original);

        return new Response(status: 204);
    }

    public function show(Series $series, ReferencePicture $reference, OriginalViews $views): Response
    {
        $bytes = $views->bytes($reference->original);
        abort_if($bytes === null, 404);

        return new Response($bytes, 200, [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    private function all(Series $series, ?int $page): JsonResponse
    {
        $pictures = ReferencePicture::query()->with('task')->where('series_id', $series->id)->orderBy('id');
        $pictures->where(
            fn ($of) => $page === null
                ? $of->whereNull('page_id')
                : $of->whereNull('page_id')->orWhere('page_id', $page),
        );

        return new JsonResponse($pictures->get()->map(fn (ReferencePicture $one): array => $one->toClient()));
    }

    private static function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }
}
