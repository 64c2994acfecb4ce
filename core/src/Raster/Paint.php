<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** A picture in colour: red, green, blue in sRGB and alpha (not premultiplied), one plane each. */
final readonly class Paint
{
    public function __construct(
        public int $width,
        public int $height,
        public string $red,
        public string $green,
        public string $blue,
        public string $alpha,
    ) {
        foreach ([$red, $green, $blue, $alpha] as $plane) {
            if (strlen($plane) !== $width * $height) {
                throw new \LengthException(
                    sprintf(
                        'A %d x %d paint layer needs %d bytes a plane, not %d.',
                        $width,
                        $height,
                        $width * $height,
                        strlen($plane),
                    ),
                );
            }
        }
    }

    public static function clear(int $width, int $height): self
    {
        $none = str_repeat("\0", $width * $height);

        return new self($width, $height, $none, $none, $none, $none);
    }

    /** @param  array{int, int, int}  $rgb */
    public static function solid(int $width, int $height, array $rgb, int $alpha = 255): self
    {
        $pixels = $width * $height;

        return new self(
            $width,
            $height,
            ...array_map(fn (int $value): string => str_repeat(chr($value), $pixels), [...$rgb, $alpha]),
        );
    }

    public function isOpaque(): bool
    {
        return strspn($this->alpha, "\xff") === strlen($this->alpha);
    }

    public function crop(Rect $rect): self
    {
        $cut = fn (string $plane): string => Bytes::crop($plane, $this->width, $this->height, $rect, 1);

        return new self(
            $rect->width,
            $rect->height,
            $cut($this->red),
            $cut($this->green),
            $cut($this->blue),
            $cut($this->alpha),
        );
    }

    /** @return array{int, int, int, int} */
    public function at(int $x, int $y): array
    {
        $index = $y * $this->width + $x;

        return [
            ord($this->red[$index]),
            ord($this->green[$index]),
            ord($this->blue[$index]),
            ord($this->alpha[$index]),
        ];
    }
}
