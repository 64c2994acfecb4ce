<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Original;
use App\Models\Page;
use App\Models\ReferencePicture;
use App\Models\Series;
use App\Models\User;
use App\Store\Originals;
use App\Store\PdfPage;
use App\Store\SvgDrawing;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\UnreadableImage;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

/**
 * Pictures that are sent: looked at by their first bytes only, and kept; whatever decodes them does it in its own
 * process.
 */
trait TakesPictures
{
    /** What a file that is sent must be, for validation. */
    private static function file(): string
    {
        return 'file|max:'. 1024 * (int) config('awning.upload_megabytes');
    }

    /**
     * As a task is told of it: a picture that hangs on the series' board, or one that is sent.
     *
     * @param  Page|Series  $of  what a file that is sent belongs to
     * @return array{reference: int, name: string}|array{original: int, name: string}
     */
    private static function meant(Request $request, Series $series, Page|Series $of, Originals $originals): array
    {
        $request->validate(['reference' => 'sometimes|integer'] + ($request->has('reference') ? [] : ['picture' => 'required|'.self::file()]));
        if ($request->has('reference')) {
            $reference = ReferencePicture::query()->where('series_id', $series->id)->findOrFail($request->integer('reference'));

            return ['reference' => $reference->id, 'name' => $reference->name];
        }
        $original = self::kept($request, $of, $originals);

        return ['original' => $original->id, 'name' => $original->name];
    }

    /** @throws UnreadableImage when it is no picture that can be opened */
    private static function kept(Request $request, Page|Series $of, Originals $originals): Original
    {
        $file = $request->file('picture');
        abort_unless($file instanceof UploadedFile, 422);
        self::isPicture($file->path());

        return $originals->keep($of, self::person($request), $file->path(), $file->getClientOriginalName());
    }

    /** @throws UnreadableImage */
    private static function isPicture(string $path): void
    {
        PdfPage::is($path) || SvgDrawing::is($path) || OpenRasterFile::is($path) || ImageHeader::of($path);
    }

    private static function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }
}
