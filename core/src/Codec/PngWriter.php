<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;

/**
 * Writes PNG (ISO/IEC 15948) with a fast deflate. Rows go unfiltered: differences of neighbours are nothing PHP's
 * string functions can form, and comic pages are flat enough that deflate finds the runs.
 */
final readonly class PngWriter
{
    private const GREY = 0;

    private const RGB = 2;

    private const INDEXED = 3;

    private const RGBA = 6;

    public function __construct(private int $level = 3)
    {
    }

    public function grey(Plane $plane, float $dpi = 0): string
    {
        return $this->file($plane->width, $plane->height, 8, self::GREY, $plane->data, 1, $dpi);
    }

    /** 16-bit grey: pixel value = region number. */
    public function labels(Labels $labels, float $dpi = 0): string
    {
        return $this->file($labels->width, $labels->height, 16, self::GREY, $labels->data, 2, $dpi);
    }

    /**
     * @param  string  $indices  width x height bytes
     * @param  string  $palette  3 bytes a colour, at most 256 colours
     * @param  string  $alphas  a byte a colour, for the first ones; the others are opaque (PNG specification 11.3.2.1)
     */
    public function indexed(
        int $width,
        int $height,
        string $indices,
        string $palette,
        float $dpi = 0,
        string $alphas = '',
    ): string {
        return $this->file(
            $width,
            $height,
            8,
            self::INDEXED,
            $indices,
            1,
            $dpi,
            $this->chunk('PLTE', $palette).($alphas === '' ? '' : $this->chunk('tRNS', $alphas)),
        );
    }

    /** @param  string  $bytes  width x height x 3 bytes */
    public function rgb(int $width, int $height, string $bytes, float $dpi = 0): string
    {
        return $this->file($width, $height, 8, self::RGB, $bytes, 3, $dpi);
    }

    public function paint(Paint $paint, float $dpi = 0): string
    {
        $opaque = $paint->isOpaque();

        return $this->file(
            $paint->width,
            $paint->height,
            8,
            $opaque ? self::RGB : self::RGBA,
            $opaque
                ? Chunky::join([$paint->red, $paint->green, $paint->blue])
                : Chunky::join([$paint->red, $paint->green, $paint->blue, $paint->alpha]),
            $opaque ? 3 : 4,
            $dpi,
        );
    }

    private function file(
        int $width,
        int $height,
        int $depth,
        int $type,
        string $data,
        int $size,
        float $dpi,
        string $extra = '',
    ): string {
        $row = $width * $size;
        $deflate =
            deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => $this->level]) ?:
            throw new \RuntimeException('The compressor could not be started.');
        $packed = '';
        // In bands, so that a large page is not held a second time with its filter bytes.
        for ($y = 0; $y < $height; $y += 64) {
            $lines = str_split(substr($data, $y * $row, 64 * $row), max(1, $row));
            $packed .= deflate_add($deflate, "\0".implode("\0", $lines), ZLIB_NO_FLUSH);
        }
        $packed .= deflate_add($deflate, '', ZLIB_FINISH);
        $perMetre = (int) round($dpi / 0.0254);

        return "\x89PNG\r\n\x1a\n".
            $this->chunk('IHDR', pack('NNCCCCC', $width, $height, $depth, $type, 0, 0, 0)).
            ($depth === 8 ? $this->chunk('sRGB', "\0") : '').
            ($dpi > 0 ? $this->chunk('pHYs', pack('NNC', $perMetre, $perMetre, 1)) : '').
            $extra.
            $this->chunk('IDAT', $packed).
            $this->chunk('IEND', '');
    }

    private function chunk(string $type, string $data): string
    {
        return pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    }
}
