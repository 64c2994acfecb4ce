<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PagePicture;
use App\Desk\Page\PageRainbow;
use App\Desk\Page\PageSurroundings;
use App\Desk\Page\ShelfPicture;
use App\Desk\Palette\MoodFollowers;
use App\Desk\Palette\SeriesMoods;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Store\OriginalViews;
use App\Store\PageStore;
use App\Values\Scalar;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Grade\Likeness;
use Awning\Core\Grade\PictureTones;
use Awning\Core\Page\Mood\Mood;
use Awning\Core\Page\RecordKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\Ops\Passes\ShowHeldMood;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** Moods of a series: told of, saved as files, and seen on a page before it is shown in them. */
final class MoodController
{
    /** In the place of a mood's key: the page as it is shown now. */
    private const SHOWN = 'shown';

    /** The key of a mood that the page keeps at hand is this and its id. */
    private const HELD = 'held';

    /** How often the page is halved in a large picture. */
    private const LARGE = 2;

    public function index(Series $series): JsonResponse
    {
        return new JsonResponse((new SeriesMoods($series))->toClient());
    }

    public function file(Series $series, string $mood): Response
    {
        [, $name, $layers] = (new SeriesMoods($series))->find($mood);

        return new Response(MoodFile::write($name, $layers->layers, $layers->light, $layers->variant), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="mood.json"',
        ]);
    }

    /** The pages that are shown in it. */
    public function followers(Series $series, string $mood): JsonResponse
    {
        [$name, $worn] = (new SeriesMoods($series))->worn($mood);

        return new JsonResponse((new MoodFollowers($series, $name, $worn))->toClient());
    }

    /** Layers that bring a page near a picture on the board, as a mood. Nothing is changed. */
    public function like(
        Request $request,
        Series $series,
        ReferencePicture $reference,
        OriginalViews $views,
    ): JsonResponse {
        $request->validate(['page' => 'required|integer']);
        $page = Page::query()->where('series_id', $series->id)->findOrFail($request->integer('page'));
        $from = PagePicture::lit($page, ShelfPicture::LEVEL);
        $to = $views->paint($reference->original);
        [$is, $wanted] = [$from === null ? null : PictureTones::of($from), $to === null ? null : PictureTones::of($to)];
        if ($is === null || $wanted === null) {
            throw ValidationException::withMessages([
                'page' => $is === null ? 'The page is empty. Import a scan first.' : 'This picture cannot be read.',
            ]);
        }
        $name = mb_substr('Like '.preg_replace('/\.\w{2,5}$/D', '', $reference->name), 0, 60);

        return new JsonResponse(['name' => $name, 'layers' => Mood::of(Likeness::layers($is, $wanted))->toList()]);
    }

    /** What lies around each figure of a page, for washes in that colour. Nothing is changed. */
    public function surroundings(Page $page): JsonResponse
    {
        return new JsonResponse((new PageSurroundings($page))->toClient());
    }

    /** The rainbow opposite to the light of a page or of picked regions, as what a pass holds. Nothing is changed. */
    public function rainbow(Request $request, Page $page): JsonResponse
    {
        $request->validate(['labels' => 'array|max:500', 'labels.*' => 'integer|min:1|max:65535']);
        $labels = Scalar::ints($request->array('labels'));

        return new JsonResponse((new PageRainbow($page, $labels))->toClient());
    }

    /** A picture of a page in a mood, small or large; the address says the state it is of, so that it is kept. */
    public function picture(Request $request, Page $page, string $mood): Response
    {
        $level = $request->query('size') === 'large' ? self::LARGE : ShelfPicture::LEVEL;
        if ($mood === self::SHOWN) {
            $picture = PagePicture::reduced($page, $level) ?? abort(404);
        } else {
            $picture = PagePicture::inMood($page, self::change($page, $mood), $level) ?? abort(404);
        }

        return new Response((new PngWriter)->paint($picture), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }

    /** What shows a page in the mood of that key. */
    private static function change(Page $page, string $key): Op
    {
        if (! str_starts_with($key, self::HELD)) {
            return (new SeriesMoods($page->series))->worn($key)[1];
        }
        $id = substr($key, strlen(self::HELD));
        (new PageStore($page))->record(RecordKind::Held, $id) ?? abort(404);

        return new ShowHeldMood($id);
    }
}
