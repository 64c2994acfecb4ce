<?php

declare(strict_types=1);

/*
 * Decodes one image, or the layers of an OpenRaster file, in a process of its own, which whoever starts it limits in
 * memory, time and output.
 *
 *   php core/decode.php IMAGE OUT PICTURE [cut]
 *
 * OUT: a line of JSON (width, height, grey, dpi, pictures, planes), then the planes one after the other: red, or red,
 * green, blue; then alpha unless it is opaque. Exit codes: 0 done; 3 not readable, 4 cut short: the message, for 4 the
 * share, as JSON.
 */

use Awning\Core\Codec\CutShort;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Codec\OpenRasterFile;
use Awning\Core\Codec\Picture;
use Awning\Core\Codec\UnreadableImage;
use Awning\Core\Compose\OpenRasterRenderer;

require dirname(__DIR__).'/vendor/autoload.php';

/** The layers of an OpenRaster file as one picture. */
function layered(string $path): Picture
{
    $file = new OpenRasterFile($path);

    return new Picture((new OpenRasterRenderer($file))->render(), false, $file->dpi);
}

[, $image, $out, $number] = $argv;
try {
    $picture = OpenRasterFile::is($image)
        ? layered($image)
        : (new ImageReader)->read($image, in_array('cut', $argv, true), (int) $number);
} catch (UnreadableImage $error) {
    echo json_encode(['message' => $error->getMessage(), 'share' => $error instanceof CutShort ? $error->share : null]);
    exit($error instanceof CutShort ? 4 : 3);
}
$paint = $picture->paint;
$planes = $picture->grey ? [$paint->red] : [$paint->red, $paint->green, $paint->blue];
if (! $paint->isOpaque()) {
    $planes[] = $paint->alpha;
}
$file = fopen($out, 'w');
$head =
    json_encode([
        'width' => $paint->width,
        'height' => $paint->height,
        'grey' => $picture->grey,
        'dpi' => $picture->dpi,
        'pictures' => $picture->pictures,
        'planes' => count($planes),
    ])."\n";
foreach ([$head, ...$planes] as $part) {
    if ($file === false || fwrite($file, $part) !== strlen($part)) {
        echo json_encode([
            'message' => 'There is no room to open the image. Free some and try again.',
            'share' => null,
        ]);
        exit(3);
    }
}
