<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\PagePicture;
use App\Desk\Page\ShelfPicture;
use App\Desk\Palette\MoodFollowers;
use App\Desk\Palette\SeriesMoods;
use App\Models\Page;
use App\Models\Series;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Exchange\MoodFile;
use Awning\Core\Sheet\Ops\Passes\WearMood;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Moods of a series: told of, saved as files, and seen on a page before it is shown in them. */
final class MoodController
{
    /** In the place of a mood's key: the page as it is shown now. */
    private const SHOWN = 'shown';

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
        $moods = new SeriesMoods($series);
        [, $name, $layers] = $moods->find($mood);
        $worn = WearMood::of($name, $layers, ...$moods->brought($layers));

        return new JsonResponse((new MoodFollowers($series, $name, $worn))->toClient());
    }

    /** A picture of a page in a mood, small or large; the address says the state it is of, so that it is kept. */
    public function picture(Request $request, Page $page, string $mood): Response
    {
        $level = $request->query('size') === 'large' ? self::LARGE : ShelfPicture::LEVEL;
        if ($mood === self::SHOWN) {
            $picture = PagePicture::reduced($page, $level) ?? abort(404);
        } else {
            $moods = new SeriesMoods($page->series);
            [, $name, $layers] = $moods->find($mood);
            $worn = WearMood::of($name, $layers, ...$moods->brought($layers));
            $picture = PagePicture::inMood($page, $worn, $level) ?? abort(404);
        }

        return new Response((new PngWriter)->paint($picture), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }
}
