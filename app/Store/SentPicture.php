<?php

declare(strict_types=1);

namespace App\Store;

use App\Values\Scalar;
use Awning\Core\Codec\ImageHeader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\UnreadableImage;

/** What a picture that is sent must be before it is kept. */
final class SentPicture
{
    /** For validation. */
    public static function rule(): string
    {
        return 'required|file|max:'. 1024 * Scalar::int(config('awning.upload_megabytes'));
    }

    /** @throws UnreadableImage when its first bytes are those of no picture that can be opened */
    public static function check(string $path): void
    {
        PdfPage::is($path) || SvgDrawing::is($path) || OpenRasterFile::is($path) || ImageHeader::of($path);
    }
}
