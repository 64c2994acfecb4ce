<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Paint;
use Imagick;
use ImagickException;

/**
 * Reads PNG, JPEG, TIFF and WebP into upright 8-bit sRGB planes. The kind is told by the file's first bytes, never by
 * its name, and the size is checked before a pixel is decoded.
 */
final readonly class ImageReader
{
    /** A spread at 1200 dpi has about 120 million pixels; more is likelier a mistake or an attack. */
    public const MOST_PIXELS = 130_000_000;

    public const LONGEST_SIDE = 20_000;

    private const KINDS = [
        'png' => '/^\x89PNG\r\n\x1a\n/',
        'jpeg' => '/^\xff\xd8\xff/',
        'tiff' => '/^(II\x2a\0|MM\0\x2a)/',
        'webp' => '/^RIFF....WEBP/s',
    ];

    /** @throws UnreadableImage */
    public function read(string $path): Picture
    {
        return $this->decode($this->header($path), $path);
    }

    /**
     * Kind and size without decoding the pixels.
     *
     * @return array{kind: string, width: int, height: int}
     *
     * @throws UnreadableImage
     */
    public function header(string $path): array
    {
        $start = is_file($path) ? @file_get_contents($path, false, null, 0, 24) : false;
        if ($start === false) {
            throw new UnreadableImage('The file could not be opened. Send it again.');
        }
        $kind = $this->kind($start);
        if ($kind === null) {
            throw new UnreadableImage('This is not a PNG, JPEG, TIFF or WebP image. Save the scan as one of these and send it again.');
        }
        if ($kind === 'png') {
            // PNG says its size in its first 24 bytes; the decoder would call a huge one damaged.
            $this->checkSize(self::word($start, 16), self::word($start, 20));
        }
        self::limitResources();
        $image = new Imagick;
        try {
            $image->pingImage("$kind:$path".($kind === 'tiff' ? '[0]' : ''));
        } catch (ImagickException $error) {
            throw new UnreadableImage($this->reason($error), 0, $error);
        }
        $width = $image->getImageWidth();
        $height = $image->getImageHeight();
        $image->clear();
        $this->checkSize($width, $height);

        return ['kind' => $kind, 'width' => $width, 'height' => $height];
    }

    private function checkSize(int $width, int $height): void
    {
        if ($width < 1 || $height < 1) {
            throw new UnreadableImage('The image has no pixels. Export it again from where it came.');
        }
        if ($width > self::LONGEST_SIDE || $height > self::LONGEST_SIDE || $width * $height > self::MOST_PIXELS) {
            throw new UnreadableImage(sprintf(
                'The image says it is %s x %s px; the most is %s px a side and %d million pixels in all. Scan at a lower resolution or cut it in parts.',
                number_format($width, 0, '', ' '), number_format($height, 0, '', ' '), number_format(self::LONGEST_SIDE, 0, '', ' '), self::MOST_PIXELS / 1_000_000,
            ));
        }
    }

    private function kind(string $start): ?string
    {
        foreach (self::KINDS as $kind => $pattern) {
            if (preg_match($pattern, $start) === 1) {
                return $kind;
            }
        }

        return null;
    }

    private static function limitResources(): void
    {
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_WIDTH, self::LONGEST_SIDE);
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_HEIGHT, self::LONGEST_SIDE);
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_AREA, 4 * self::MOST_PIXELS);
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_MEMORY, 3 << 30);
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_MAP, 3 << 30);
        Imagick::setResourceLimit(Imagick::RESOURCETYPE_DISK, 0);
    }

    /** @param  array{kind: string, width: int, height: int}  $header */
    private function decode(array $header, string $path): Picture
    {
        $image = new Imagick;
        try {
            $image->readImage("{$header['kind']}:$path".($header['kind'] === 'tiff' ? '[0]' : ''));
            $dpi = $this->dpi($image);
            $image->autoOrient();
            $this->toSrgb($image);
            $grey = $image->getImageType() === Imagick::IMGTYPE_GRAYSCALE
                || $image->getImageType() === Imagick::IMGTYPE_GRAYSCALEMATTE
                || $image->getImageType() === Imagick::IMGTYPE_BILEVEL;
            $alpha = $image->getImageAlphaChannel();
            $width = $image->getImageWidth();
            $height = $image->getImageHeight();
            $image->setImageDepth(8);
            $image->setInterlaceScheme(Imagick::INTERLACE_PLANE);
            $image->setImageFormat($alpha ? 'rgba' : 'rgb');
            $planes = str_split($image->getImageBlob(), max(1, $width * $height));
        } catch (ImagickException $error) {
            throw new UnreadableImage($this->reason($error), 0, $error);
        } finally {
            $image->clear();
        }
        if (count($planes) !== ($alpha ? 4 : 3)) {
            throw new UnreadableImage('The image could not be decoded whole. Export it again from where it came.');
        }
        $opaque = $alpha ? $planes[3] : str_repeat("\xff", $width * $height);
        [$red, $green, $blue] = $grey ? [$planes[0], $planes[0], $planes[0]] : $planes;
        $curve = $header['kind'] === 'png' ? $this->pngCurve($path) : null;
        if ($curve !== null) {
            [$red, $green, $blue] = array_map(fn (string $plane): string => strtr($plane, Bytes::identity(), $curve), [$red, $green, $blue]);
        }

        return new Picture(new Paint($width, $height, $red, $green, $blue, $opaque), $grey, $dpi);
    }

    private function dpi(Imagick $image): float
    {
        $resolution = $image->getImageResolution();
        $perInch = $image->getImageUnits() === Imagick::RESOLUTION_PIXELSPERCENTIMETER ? 2.54 : 1.0;
        $dpi = (float) $resolution['x'] * $perInch;

        return $image->getImageUnits() === Imagick::RESOLUTION_UNDEFINED || $dpi < 10 || $dpi > 5000 ? 0.0 : round($dpi, 2);
    }

    private function toSrgb(Imagick $image): void
    {
        $profiles = $image->getImageProfiles('icc', true);
        if (isset($profiles['icc'])) {
            try {
                $image->profileImage('icc', SrgbProfile::bytes());
            } catch (ImagickException) {
                // A profile that cannot be used says nothing about the colours; they are taken as they stand.
                $image->removeImageProfile('icc');
            }
        }
        if (! in_array($image->getImageColorspace(), [Imagick::COLORSPACE_SRGB, Imagick::COLORSPACE_GRAY], true)) {
            $image->transformImageColorspace(Imagick::COLORSPACE_SRGB);
        }
    }

    /**
     * A PNG may say by a gAMA chunk alone that its numbers are not on sRGB's curve (PNG specification, 11.3.2.2).
     *
     * @return ?string a table of 256 bytes, null when nothing is to be done
     */
    private function pngCurve(string $path): ?string
    {
        $head = (string) file_get_contents($path, false, null, 8, 65536);
        $gamma = null;
        for ($at = 0; $at + 12 <= strlen($head);) {
            [$length, $type] = [self::word($head, $at), substr($head, $at + 4, 4)];
            if ($type === 'iCCP' || $type === 'sRGB' || $type === 'IDAT') {
                return $type === 'IDAT' && $gamma !== null ? self::gammaTable($gamma) : null;
            }
            if ($type === 'gAMA' && $length === 4) {
                $gamma = self::word($head, $at + 8);
            }
            $at += 12 + $length;
        }

        return null;
    }

    /** Four bytes, most significant first. */
    private static function word(string $bytes, int $at): int
    {
        $bytes = str_pad($bytes, $at + 4, "\0");

        return ord($bytes[$at]) << 24 | ord($bytes[$at + 1]) << 16 | ord($bytes[$at + 2]) << 8 | ord($bytes[$at + 3]);
    }

    private static function gammaTable(int $gamma): ?string
    {
        // 1/2.2 is what sRGB files carry; ImageMagick itself brings linear files (1.0) to sRGB.
        if ($gamma < 1000 || abs($gamma - 45455) < 1500 || abs($gamma - 100_000) < 1500) {
            return null;
        }

        return Bytes::table(fn (int $value): float => 255 * \Awning\Core\Colour\LinearRgb::encode(($value / 255) ** (100_000 / $gamma)));
    }

    private function reason(ImagickException $error): string
    {
        $text = strtolower($error->getMessage());

        return match (true) {
            str_contains($text, 'limit') || str_contains($text, 'exceed') || str_contains($text, 'dimension') => sprintf('The image is larger than can be opened: at most %d px a side. Scan at a lower resolution or cut it in parts.', self::LONGEST_SIDE),
            default => 'The image is damaged or cut short and was not opened. Export or scan it again.',
        };
    }
}
