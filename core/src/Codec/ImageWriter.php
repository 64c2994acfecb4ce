<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;
use Imagick;

/** Writes a finished picture as PNG, TIFF, JPEG or WebP with its resolution; always sRGB, 8 bits. */
final readonly class ImageWriter
{
    public const KINDS = ['png', 'tiff', 'jpeg', 'webp'];

    /**
     * @param  float  $dpi  0 leaves the resolution unsaid
     * @return string the file's bytes
     *
     * @throws \InvalidArgumentException when the kind is not one of KINDS
     */
    public function write(Paint $paint, string $kind, float $dpi = 0): string
    {
        if ($kind === 'png') {
            return (new PngWriter)->paint($paint, $dpi);
        }
        $image = $this->image($paint, $kind !== 'jpeg');
        if ($dpi > 0) {
            $image->setImageUnits(Imagick::RESOLUTION_PIXELSPERINCH);
            $image->setImageResolution($dpi, $dpi);
        }
        match ($kind) {
            'tiff' => $image->setImageCompression(Imagick::COMPRESSION_ZIP),
            'jpeg' => $this->jpeg($image),
            'webp' => $image->setOption('webp:lossless', 'true'),
            default => throw new \InvalidArgumentException(
                "'$kind' cannot be written; choose one of ".implode(', ', self::KINDS).'.',
            ),
        };
        $image->profileImage('icc', SrgbProfile::bytes());
        $image->setFormat($kind);
        $image->setImageFormat($kind);
        $bytes = $image->getImageBlob();
        $image->clear();

        return $bytes;
    }

    private function jpeg(Imagick $image): void
    {
        $image->setImageCompressionQuality(92);
        $image->setSamplingFactors(['1x1', '1x1', '1x1']);
    }

    private function image(Paint $paint, bool $alpha): Imagick
    {
        $alpha = $alpha && ! $paint->isOpaque();
        $planes = $alpha ? $paint : (new Flatten)->onWhite($paint);
        $image = new Imagick;
        $image->setSize($paint->width, $paint->height);
        $image->setOption('depth', '8');
        $image->setInterlaceScheme(Imagick::INTERLACE_PLANE);
        $image->setFormat($alpha ? 'rgba' : 'rgb');
        $image->readImageBlob($planes->red.$planes->green.$planes->blue.($alpha ? $planes->alpha : ''));
        $image->setInterlaceScheme(Imagick::INTERLACE_NO);
        $image->setImageInterlaceScheme(Imagick::INTERLACE_NO);
        $image->setImageDepth(8);

        return $image;
    }
}
