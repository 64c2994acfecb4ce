<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Paint;
use Imagick;
use ImagickException;

/**
 * Reads PNG, JPEG, TIFF and WebP into upright 8-bit sRGB planes. Kind and size are checked before a decoder sees the
 * file. Still, a decoder is a stranger's code at work on a stranger's file: where the file comes from the network, run
 * this in a process of its own with limits (core/decode.php).
 */
final readonly class ImageReader
{
    /** A spread at 1200 dpi has about 120 million pixels; more is likelier a mistake or an attack. */
    public const MOST_PIXELS = 130_000_000;

    public const LONGEST_SIDE = 20_000;

    /** What says how bright a PNG's numbers are stands before its pixels; further in nobody looks for it. */
    private const CURVE_WITHIN = 65_544;

    /** Whether an image of a size, in px, is small enough to be opened. */
    public static function opens(float $width, float $height): bool
    {
        return max($width, $height) <= self::LONGEST_SIDE && $width * $height <= self::MOST_PIXELS;
    }

    /**
     * @param  bool  $cut  whether a file that ends too early is read as far as it goes
     * @param  int  $number  which of a TIFF's pictures, from 1; other files have one that is read
     *
     * @throws CutShort
     * @throws UnreadableImage
     */
    public function read(string $path, bool $cut = false, int $number = 1): Picture
    {
        $header = ImageHeader::of($path, $number);
        if ($header->kind === 'tiff' && $header->share < 1 && ! $cut) {
            throw new CutShort($header->share);
        }
        $essentials = Essentials::of($path, $header->kind);
        try {
            $picture = $this->decode($header, $essentials ?? $path, $path, $number);
        } finally {
            if ($essentials !== null) {
                @unlink($essentials);
            }
        }
        if ($header->kind === 'jpeg' && $header->share < 1 && ! $cut) {
            throw new CutShort(self::shareThere($picture->paint));
        }

        return $picture;
    }

    /** How much of a picture there is above rows that are all the same: what a decoder fills in where data ends. */
    private static function shareThere(Paint $paint): float
    {
        $row = $paint->height;
        $last = substr($paint->green, -$paint->width);
        while ($row > 0 && substr_compare($paint->green, $last, ($row - 1) * $paint->width, $paint->width) === 0) {
            $row--;
        }

        return $row / $paint->height;
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

    private function decode(ImageHeader $header, string $path, string $original, int $number): Picture
    {
        self::limitResources();
        $image = new Imagick;
        try {
            $image->readImage("$header->kind:$path".($header->kind === 'tiff' ? sprintf('[%d]', $number - 1) : ''));
            $dpi = $this->dpi($image);
            if ($header->orientation > 0) {
                $image->setImageOrientation($header->orientation);
            }
            $image->autoOrient();
            if ($header->isNegative) {
                $image->negateImage(false);
            }
            $this->toSrgb($image);
            $grey =
                $image->getImageType() === Imagick::IMGTYPE_GRAYSCALE ||
                $image->getImageType() === Imagick::IMGTYPE_GRAYSCALEMATTE ||
                $image->getImageType() === Imagick::IMGTYPE_BILEVEL ||
                ($header->kind === 'tiff' && $header->isNegative);
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
        $opaque = $alpha && ! $header->isOpaque ? $planes[3] : str_repeat("\xff", $width * $height);
        [$red, $green, $blue] = $grey ? [$planes[0], $planes[0], $planes[0]] : $planes;
        if ($header->kind === 'png') {
            [$red, $green, $blue] = $this->asThePngSays(new FileBytes($original), [$red, $green, $blue], $grey);
        }

        return new Picture(new Paint($width, $height, $red, $green, $blue, $opaque), $grey, $dpi, $header->pictures);
    }

    /**
     * A PNG may say by chunks of its own what its numbers mean: gAMA that they are not on sRGB's curve, cHRM that they
     * are of other primaries (PNG specification, 11.3.2). A profile or sRGB says it better.
     *
     * @param  array{string, string, string}  $planes
     * @return array{string, string, string}
     */
    private function asThePngSays(FileBytes $file, array $planes, bool $grey): array
    {
        $gamma = $primaries = null;
        for ($at = 8; $at + 12 <= min($file->size, self::CURVE_WITHIN); $at += 12 + $length) {
            [$length, $type] = [$file->number($at, 4), $file->at($at + 4, 4)];
            if ($type === 'iCCP' || $type === 'sRGB') {
                return $planes;
            }
            if ($type === 'gAMA' && $length === 4) {
                $gamma = $file->number($at + 8, 4);
            } elseif ($type === 'cHRM' && $length === 32) {
                $primaries = Primaries::of(
                    array_map(
                        fn (int $i): array => [
                            $file->number($at + 8 + 8 * $i, 4) / 100_000,
                            $file->number($at + 12 + 8 * $i, 4) / 100_000,
                        ],
                        [0, 1, 2, 3],
                    ),
                );
            } elseif ($type === 'IDAT') {
                break;
            }
        }
        $curve = $gamma === null ? null : self::gammaTable($gamma);
        if ($curve !== null) {
            $planes = [
                strtr($planes[0], Bytes::identity(), $curve),
                strtr($planes[1], Bytes::identity(), $curve),
                strtr($planes[2], Bytes::identity(), $curve),
            ];
        }

        return $primaries === null || $grey ? $planes : $primaries->toSrgb($planes);
    }

    private function dpi(Imagick $image): float
    {
        $resolution = $image->getImageResolution();
        $perInch = $image->getImageUnits() === Imagick::RESOLUTION_PIXELSPERCENTIMETER ? 2.54 : 1.0;
        $dpi = (float) $resolution['x'] * $perInch;

        return $image->getImageUnits() === Imagick::RESOLUTION_UNDEFINED || $dpi < 10 || $dpi > 5000
            ? 0.0
            : round($dpi, 2);
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

    private static function gammaTable(int $gamma): ?string
    {
        // 1/2.2 is what sRGB files carry; ImageMagick itself brings linear files (1.0) to sRGB.
        if ($gamma < 1000 || abs($gamma - 45455) < 1500 || abs($gamma - 100_000) < 1500) {
            return null;
        }

        return Bytes::table(
            fn (int $value): float => 255 * \Awning\Core\Colour\LinearRgb::encode(($value / 255) ** (100_000 / $gamma)),
        );
    }

    private function reason(ImagickException $error): string
    {
        $text = strtolower($error->getMessage());

        return match (true) {
            preg_match('/limit|exceed|dimension/', $text) === 1 => sprintf(
                'The image is larger than can be opened: at most %d px a side. Scan at a lower resolution or cut it '
                    .'in parts.',
                self::LONGEST_SIDE,
            ),
            default => 'The image is damaged or cut short and was not opened. Export or scan it again.',
        };
    }
}
