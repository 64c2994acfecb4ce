<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Palette\SeriesBrushes;
use App\Desk\SeriesOps\KeepBrush;
use App\Desk\SeriesOps\RetireBrush;
use App\Http\Requests\Name;
use App\Models\Series;
use App\Models\SeriesBrush;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Brush\TipImport;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Page\Data;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Brushes of a series: made by its artists, and shared among them. */
final class BrushController
{
    use ChangesPalette;

    /** Px along a side: a tip is read while somebody waits for it. */
    private const LARGEST_TIP = 1024;

    private const KILOBYTES = 1024;

    public function store(Request $request, Series $series): JsonResponse
    {
        $request->validate(['name' => ['required', new Name(60)], 'brush' => 'required|array']);
        try {
            $brush = BrushBox::own(new Data($request->array('brush')));
        } catch (\InvalidArgumentException|\RangeException $error) {
            throw ValidationException::withMessages(['brush' => $error->getMessage()]);
        }
        self::apply($request, $series, new KeepBrush($request->string('name')->toString(), $brush));

        return new JsonResponse((new SeriesBrushes($series))->toClient(), 201);
    }

    public function destroy(Request $request, Series $series, SeriesBrush $brush): JsonResponse
    {
        self::apply($request, $series, new RetireBrush($brush));

        return new JsonResponse((new SeriesBrushes($series))->toClient());
    }

    /** What a picture looks like as a tip; nothing of it is kept until the brush is. The series says who may ask. */
    public function tip(Request $request, Series $series): JsonResponse
    {
        $request->validate(['picture' => 'required|file|max:'.self::KILOBYTES]);
        $file = $request->file('picture');
        abort_unless($file instanceof UploadedFile, 422);
        try {
            $header = ImageHeader::of($file->path());
            if (max($header->width, $header->height) > self::LARGEST_TIP) {
                throw new UnreadableImage('A picture for a tip is at most '.self::LARGEST_TIP.' pixels wide and high. Make it smaller.');
            }

            return new JsonResponse(['picture' => TipImport::of((new ImageReader)->read($file->path())->paint)->toText()]);
        } catch (UnreadableImage|\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['picture' => $error->getMessage()]);
        }
    }
}
