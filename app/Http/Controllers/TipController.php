<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Series;
use Awning\Core\Brush\TipImport;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\UnreadableImage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

/** Pictures read as tips of brushes. */
final class TipController
{
    /** Px along a side: a tip is read while somebody waits for it. */
    private const LARGEST_TIP = 1024;

    private const KILOBYTES = 1024;

    /** What a picture looks like as a tip; nothing of it is kept until the brush is. The series says who may ask. */
    public function __invoke(Request $request, Series $series): JsonResponse
    {
        $request->validate(['picture' => 'required|file|max:'.self::KILOBYTES]);
        $file = $request->file('picture');
        abort_unless($file instanceof UploadedFile, 422);
        try {
            $header = ImageHeader::of($file->path());
            if (max($header->width, $header->height) > self::LARGEST_TIP) {
                throw new UnreadableImage(
                    'A picture for a tip is at most '.self::LARGEST_TIP.' pixels wide and high. Make it smaller.',
                );
            }

            return new JsonResponse([
                'picture' => TipImport::of((new ImageReader)->read($file->path())->paint)->toText(),
            ]);
        } catch (UnreadableImage|\InvalidArgumentException $error) {
            throw ValidationException::withMessages(['picture' => $error->getMessage()]);
        }
    }
}
