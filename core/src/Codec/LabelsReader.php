<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Labels;
use Imagick;
use ImagickException;

/** Region numbers out of a 16-bit grey PNG: a pixel's value is its region's. */
final class LabelsReader
{
    /** @throws UnreadableImage */
    public static function read(string $path): Labels
    {
        $header = ImageHeader::of($path);
        if (! ImageReader::opens($header->width, $header->height)) {
            throw new UnreadableImage("$path has more pixels than can be opened.");
        }
        $image = new Imagick;
        try {
            $image->readImage($path);
            if ($image->getImageDepth() !== 16 || $image->getImageColorspace() !== Imagick::COLORSPACE_GRAY) {
                throw new UnreadableImage(
                    "$path is not a plane of region numbers. Give a grey PNG of 16 bits, as './awning flats SCAN --labels LABELS.png' writes it.",
                );
            }
            $image->setImageFormat('gray');
            $image->setImageDepth(16);
            $bytes = $image->getImageBlob();
            // Samples come in the machine's own order, least byte first.
            $data = '';
            foreach (str_split($bytes, max(1, 2 * $image->getImageWidth())) as $row) {
                $data .= pack('n*', ...(array) unpack('v*', $row));
            }

            return new Labels($image->getImageWidth(), $image->getImageHeight(), $data);
        } catch (ImagickException $error) {
            throw new UnreadableImage("$path could not be read as a PNG: ".$error->getMessage(), 0, $error);
        } finally {
            $image->clear();
        }
    }
}
