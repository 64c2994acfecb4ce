<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** A rectangle of whole pixels; x and y are its left top corner, right and bottom lie just outside. */
final readonly class Rect
{
    public function __construct(public int $x, public int $y, public int $width, public int $height)
    {
    }

    /** The smallest rectangle holding [left, right) x [top, bottom); empty when the bounds cross. */
    public static function bounds(int $left, int $top, int $right, int $bottom): self
    {
        return new self($left, $top, max(0, $right - $left), max(0, $bottom - $top));
    }

    /**
     * The smallest rectangle that holds some others; the empty ones among them count for nothing.
     *
     * @param  list<self>  $parts
     * @return self empty when there are none
     */
    public static function around(array $parts): self
    {
        $parts = array_filter($parts, fn (self $part): bool => ! $part->isEmpty());

        return $parts === []
            ? new self(0, 0, 0, 0)
            : self::bounds(
                min(array_map(fn (self $part): int => $part->x, $parts)),
                min(array_map(fn (self $part): int => $part->y, $parts)),
                max(array_map(fn (self $part): int => $part->right(), $parts)),
                max(array_map(fn (self $part): int => $part->bottom(), $parts)),
            );
    }

    public function right(): int
    {
        return $this->x + $this->width;
    }

    public function bottom(): int
    {
        return $this->y + $this->height;
    }

    public function isEmpty(): bool
    {
        return $this->width === 0 || $this->height === 0;
    }

    /** So many pixels more on every side. */
    public function grown(int $by): self
    {
        return new self($this->x - $by, $this->y - $by, $this->width + 2 * $by, $this->height + 2 * $by);
    }

    public function moved(int $right, int $down): self
    {
        return new self($this->x + $right, $this->y + $down, $this->width, $this->height);
    }

    public function intersect(self $other): self
    {
        return self::bounds(
            max($this->x, $other->x),
            max($this->y, $other->y),
            min($this->right(), $other->right()),
            min($this->bottom(), $other->bottom()),
        );
    }
}
