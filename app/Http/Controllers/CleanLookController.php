<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Page\CleanLook;
use App\Models\Page;
use App\Store\PageStore;
use App\Store\Pyramid;
use App\Values\Scalar;
use Awning\Core\Codec\PngWriter;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Sheet;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** Shows a drawing as it would be, cleaned otherwise; nothing is changed by asking. */
final class CleanLookController
{
    /** Tiles looked at in one go. */
    private const MOST = 60;

    /** Wherever it says where the picture lies: its first tile, or that it is all of the drawing. */
    private const PLACE = 'X-Awning-Place';

    public function __invoke(Request $request, Page $page, string $drawing): Response
    {
        $request->validate([
            'clean' => 'required|array',
            'level' => 'required|integer|between:0,'.Pyramid::HIGHEST,
            'tiles' => 'required|array|size:4',
            'tiles.*' => 'integer|between:0,400',
        ]);
        $known = (new Sheet(new PageStore($page)))->find(Drawing::class, $drawing) ?? abort(404);
        try {
            $settings = CleanSettings::fromData(new Data($request->array('clean')));
        } catch (\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['clean' => $error->getMessage()]);
        }
        $look = new CleanLook($page, $drawing, $known);
        if ($look->isOfPaper($settings)) {
            return $this->picture($look->whole($settings) ?? abort(404), 'drawing');
        }
        [$left, $top, $right, $bottom] = Scalar::ints($request->array('tiles'));
        if ($right <= $left || $bottom <= $top || ($right - $left) * ($bottom - $top) > self::MOST) {
            throw ValidationException::withMessages([
                'tiles' => 'At most '.self::MOST.' tiles are looked at in one go.',
            ]);
        }
        $side = TileGrid::SIZE;

        return $this->picture(
            $look->inView(
                $settings,
                $request->integer('level'),
                new Rect($left * $side, $top * $side, ($right - $left) * $side, ($bottom - $top) * $side),
            ),
            "$left $top",
        );
    }

    private function picture(Plane $ink, string $place): Response
    {
        $shown = $ink->mapped(Bytes::table(fn (int $value): int => 255 - $value));

        return new Response((new PngWriter)->grey($shown, 0), 200, [
            'Content-Type' => 'image/png',
            'Cache-Control' => 'no-store',
            self::PLACE => $place,
        ]);
    }
}
