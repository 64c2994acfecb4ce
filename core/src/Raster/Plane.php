<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * One channel of a picture: a byte string, one byte a pixel, row after row from the top.
 *
 * A plane never changes; whatever alters one returns another. Work on whole planes goes through PHP's string
 * functions, which run at C speed, and never through an array with an element a pixel.
 */
final readonly class Plane
{
    /**
     * @param  string  $data  width x height bytes
     *
     * @throws \LengthException when the string does not fit the size
     */
    public function __construct(public int $width, public int $height, public string $data)
    {
        if (strlen($data) !== $width * $height) {
            throw new \LengthException(
                sprintf('A %d x %d plane needs %d bytes, not %d.', $width, $height, $width * $height, strlen($data)),
            );
        }
    }

    public static function filled(int $width, int $height, int $value): self
    {
        return new self($width, $height, str_repeat(chr($value), $width * $height));
    }

    public function at(int $x, int $y): int
    {
        return ord($this->data[$y * $this->width + $x]);
    }

    /** At another size, each pixel that of the nearest place: no values are mixed. */
    public function nearest(int $width, int $height): self
    {
        $columns = array_map(fn (int $x): int => (int) ((($x + 0.5) * $this->width) / $width), range(0, $width - 1));
        $data = $row = '';
        $last = -1;
        for ($y = 0; $y < $height; $y++) {
            $from = (int) ((($y + 0.5) * $this->height) / $height);
            if ($from !== $last) {
                $last = $from;
                $line = substr($this->data, $from * $this->width, $this->width);
                $row = '';
                foreach ($columns as $x) {
                    $row .= $line[$x];
                }
            }
            $data .= $row;
        }

        return new self($width, $height, $data);
    }

    /** @param  string  $table  256 bytes: the new value for each old one */
    public function mapped(string $table): self
    {
        return new self($this->width, $this->height, strtr($this->data, Bytes::identity(), $table));
    }

    /** The smallest rectangle outside of which all is 0; empty when all is. */
    public function extent(): Rect
    {
        $first = strspn($this->data, "\0");
        if ($first === strlen($this->data)) {
            return new Rect(0, 0, 0, 0);
        }
        $top = intdiv($first, $this->width);
        $bottom = intdiv(strlen(rtrim($this->data, "\0")) - 1, $this->width) + 1;
        $columns = str_repeat("\0", $this->width);
        for ($y = $top; $y < $bottom; $y++) {
            $columns |= substr($this->data, $y * $this->width, $this->width);
        }

        return Rect::bounds(strspn($columns, "\0"), $top, strlen(rtrim($columns, "\0")), $bottom);
    }

    /** The part inside $rect; what lies outside the plane comes as 0. */
    public function crop(Rect $rect): self
    {
        return new self($rect->width, $rect->height, Bytes::crop($this->data, $this->width, $this->height, $rect, 1));
    }

    /**
     * Packed, each plane by itself: as one text, those of a page would fill the memory once more.
     *
     * @return array{int, int, string}
     */
    public function __serialize(): array
    {
        return [$this->width, $this->height, (string) gzcompress($this->data, 1)];
    }

    /** @param  array{int, int, string}  $packed */
    public function __unserialize(array $packed): void
    {
        [$width, $height, $data] = $packed;
        self::__construct($width, $height, (string) gzuncompress($data, $width * $height));
    }

    /** @return array<int, int> how many pixels have each of the 256 values */
    public function histogram(): array
    {
        return count_chars($this->data, 0);
    }
}
