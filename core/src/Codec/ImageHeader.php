<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

/**
 * What an image file says of itself in its first bytes, read by ourselves and within bounds, so that no decoder is let
 * near a file before its kind and size are known. The kind is told by the bytes, never by the name.
 *
 * Sources: PNG specification 11.2.2; ITU T.81 B.2.2 (JPEG); TIFF 6.0 section 2; the WebP container specification.
 */
final readonly class ImageHeader
{
    private const KINDS = [
        'png' => '/^\x89PNG\r\n\x1a\n/',
        'jpeg' => '/^\xff\xd8\xff/',
        'tiff' => '/^(II[\x2a\x2b]\0|MM\0[\x2a\x2b])/',
        'webp' => '/^RIFF....WEBP/s',
    ];

    private const TIFF_WIDTH = 256;

    private const TIFF_HEIGHT = 257;

    private const TIFF_BITS = 258;

    private const TIFF_PHOTOMETRIC = 262;

    private const TIFF_EXTRA_SAMPLES = 338;

    private const ORIENTATION = 274;

    /** Bits a sample at which the decoder does not turn over greys of which 0 is white. */
    private const NOT_TURNED_OVER = [2, 4];

    private const TIFF_OFFSETS = [273, 324];

    private const TIFF_COUNTS = [279, 325];

    /** A progressive JPEG passes over the picture as often as it likes; honest ones do a dozen times. */
    private const MOST_SCANS = 64;

    /**
     * @param  float  $share  how much of the picture's data is there, as far as the file's own table tells: 1 when
     *     nothing is amiss
     * @param  int  $pictures  how many the file holds, counted to Picture::MOST
     * @param  int<0, 8>  $orientation  EXIF's, 1 to 8, where the decoder does not see it by itself; 0: it does, or
     *     there is none
     * @param  bool  $isNegative  whether what is decoded must be turned over, light for dark
     * @param  bool  $isOpaque  whether a sample beyond the colours is something else than alpha
     */
    private function __construct(
        public string $kind,
        public int $width,
        public int $height,
        public float $share = 1.0,
        public int $pictures = 1,
        public int $orientation = 0,
        public bool $isNegative = false,
        public bool $isOpaque = false,
    ) {
    }

    /**
     * @param  int  $number  which of a TIFF's pictures, from 1
     *
     * @throws UnreadableImage when it is no such file, has no such picture, or says a size that is not opened
     */
    public static function of(string $path, int $number = 1): self
    {
        $file = new FileBytes($path);
        $header = match (self::kindOf($file->at(0, 16))) {
            'png' => self::png($file),
            'jpeg' => self::jpeg($file),
            'tiff' => self::tiff($file, $number),
            'webp' => self::webp($file),
            default => throw new UnreadableImage(
                'This is not a PNG, JPEG, TIFF or WebP image, nor a PDF, SVG or OpenRaster. Save it as one of these '
                    .'and send it again.',
            ),
        };
        self::checkSize($header->width, $header->height);

        return $header;
    }

    private static function kindOf(string $start): ?string
    {
        foreach (self::KINDS as $kind => $pattern) {
            if (preg_match($pattern, $start) === 1) {
                return $kind;
            }
        }

        return null;
    }

    private static function checkSize(int $width, int $height): void
    {
        if ($width < 1 || $height < 1) {
            throw new UnreadableImage(
                'The image has no pixels, or its head is damaged. Export it again from where it came.',
            );
        }
        if (! ImageReader::opens($width, $height)) {
            throw new UnreadableImage(
                sprintf(
                    'The image says it is %s x %s px; the most is %s px a side and %d million pixels in all. Scan '
                        .'at a lower resolution or cut it in parts.',
                    number_format($width, 0, '', ' '),
                    number_format($height, 0, '', ' '),
                    number_format(ImageReader::LONGEST_SIDE, 0, '', ' '),
                    ImageReader::MOST_PIXELS / 1_000_000,
                ),
            );
        }
    }

    private static function png(FileBytes $file): self
    {
        $orientation = 0;
        for ($at = 8; $at + 12 <= $file->size; $at += 12 + $file->number($at, 4)) {
            $type = $file->at($at + 4, 4);
            if ($type === 'eXIf') {
                $orientation = self::orientation($file, $at + 8);
            } elseif ($type === 'IEND') {
                break;
            }
        }

        return new self('png', $file->number(16, 4), $file->number(20, 4), orientation: $orientation);
    }

    /**
     * @param  int  $at  where the EXIF block begins
     * @return int<0, 8>
     */
    private static function orientation(FileBytes $file, int $at): int
    {
        if ($file->at($at, 6) === "Exif\0\0") {
            $at += 6;
        }
        $value = in_array($file->at($at, 2), ['II', 'MM'], true)
            ? TiffFields::first($file, $at)->value(self::ORIENTATION)
            : 0;

        return $value >= 1 && $value <= 8 ? $value : 0;
    }

    /** Walks the segments to the frame header, and on to the end of the picture. */
    private static function jpeg(FileBytes $file): self
    {
        $width = $height = $scans = $colours = 0;
        $isAdobe = false;
        for ($at = 2; $at < $file->size;) {
            if ($file->at($at, 1) !== "\xff") {
                break;
            }
            $marker = $file->number($at + 1, 1);
            if ($marker === 0xFF) {
                $at++;
            } elseif ($marker === 0xD9) {
                return new self('jpeg', $width, $height, isNegative: $colours === 4 && ! $isAdobe);
            } elseif ($marker === 0x01 || ($marker >= 0xD0 && $marker <= 0xD8)) {
                $at += 2;
            } else {
                if ($marker >= 0xC0 && $marker <= 0xCF && ! in_array($marker, [0xC4, 0xC8, 0xCC], true)) {
                    [$height, $width, $colours] = [
                        $file->number($at + 5, 2),
                        $file->number($at + 7, 2),
                        $file->number($at + 9, 1),
                    ];
                }
                $isAdobe = $isAdobe || ($marker === 0xEE && $file->at($at + 4, 5) === 'Adobe');
                $at += 2 + max(2, $file->number($at + 2, 2));
                if ($marker === 0xDA) {
                    if (++$scans > self::MOST_SCANS) {
                        throw new UnreadableImage(
                            'The image is made of more layers than a JPEG needs; it may be damaged on purpose and '
                                .'was not opened. Save it again as a plain JPEG.',
                        );
                    }
                    $at = self::afterScan($file, $at);
                }
            }
        }

        // Without its end mark the file was cut: how much of the picture there is shows only when it is decoded.
        return new self('jpeg', $width, $height, 0.0, isNegative: $colours === 4 && ! $isAdobe);
    }

    /** The place of the next marker that is not part of the compressed data. */
    private static function afterScan(FileBytes $file, int $at): int
    {
        for (; ($part = $file->at($at, 65536)) !== ''; $at += max(1, strlen($part) - 1)) {
            if (preg_match('/\xff[^\x00\xd0-\xd7\xff]/s', $part, $found, PREG_OFFSET_CAPTURE) === 1) {
                return $at + $found[0][1];
            }
            if (strlen($part) === 1) {
                break;
            }
        }

        return $file->size;
    }

    private static function tiff(FileBytes $file, int $number): self
    {
        $fields = TiffFields::of($file, $number);
        if ($number > $fields->pictures) {
            throw UnreadableImage::withoutPicture($number, $fields->pictures);
        }
        $isWhiteFirst = $fields->has(self::TIFF_PHOTOMETRIC) && $fields->value(self::TIFF_PHOTOMETRIC) === 0;

        return new self(
            kind: 'tiff',
            width: $fields->value(self::TIFF_WIDTH),
            height: $fields->value(self::TIFF_HEIGHT),
            share: self::stripsThere($file, $fields),
            pictures: $fields->pictures,
            isNegative: $isWhiteFirst && in_array($fields->value(self::TIFF_BITS), self::NOT_TURNED_OVER, true),
            isOpaque: $fields->has(self::TIFF_EXTRA_SAMPLES) && $fields->value(self::TIFF_EXTRA_SAMPLES) === 0,
        );
    }

    /** The share of a TIFF's strips or tiles that lie wholly inside the file. */
    private static function stripsThere(FileBytes $file, TiffFields $fields): float
    {
        foreach (self::TIFF_OFFSETS as $kind => $offsets) {
            if (! $fields->has($offsets) || ! $fields->has(self::TIFF_COUNTS[$kind])) {
                continue;
            }
            $strips = $fields->count($offsets);
            $there = 0;
            for ($i = 0; $i < $strips; $i++) {
                $end = $fields->value($offsets, $i) + $fields->value(self::TIFF_COUNTS[$kind], $i);
                $there += $end > 0 && $end <= $file->size ? 1 : 0;
            }

            return $strips === 0 ? 0.0 : $there / $strips;
        }

        return 1.0;
    }

    private static function webp(FileBytes $file): self
    {
        $data = 20;
        [$width, $height] = match ($file->at(12, 4)) {
            'VP8 ' => [$file->number($data + 6, 2, true) & 0x3FFF, $file->number($data + 8, 2, true) & 0x3FFF],
            'VP8L' => [
                ($file->number($data + 1, 4, true) & 0x3FFF) + 1,
                (($file->number($data + 1, 4, true) >> 14) & 0x3FFF) + 1,
            ],
            'VP8X' => [$file->number($data + 4, 3, true) + 1, $file->number($data + 7, 3, true) + 1],
            default => [0, 0],
        };

        $frames = $orientation = 0;
        for ($at = 12; $at + 8 <= $file->size; $at += 8 + $length + ($length & 1)) {
            $length = $file->number($at + 4, 4, true);
            $type = $file->at($at, 4);
            $frames += $type === 'ANMF' ? 1 : 0;
            if ($type === 'EXIF') {
                $orientation = self::orientation($file, $at + 8);
            }
        }

        return new self(
            'webp',
            $width,
            $height,
            pictures: max(1, min(Picture::MOST, $frames)),
            orientation: $orientation,
        );
    }
}
