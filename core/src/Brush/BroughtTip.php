<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

/** A tip somebody brought as a picture: how much it covers on a small square, which travels with every stroke. */
final readonly class BroughtTip
{
    /** Pixels along a side. */
    public const SIDE = 48;

    /**
     * @param  string  $coverage  one byte a pixel, row after row
     *
     * @throws \InvalidArgumentException when it is of another size
     */
    public function __construct(public string $coverage)
    {
        if (strlen($coverage) !== self::SIDE ** 2) {
            throw new \InvalidArgumentException(
                'A tip is a square of '.self::SIDE.' by '.self::SIDE.' pixels.',
            );
        }
    }

    /** @throws \InvalidArgumentException */
    public static function fromText(string $text): self
    {
        return new self((string) base64_decode($text, true));
    }

    public function toText(): string
    {
        return base64_encode($this->coverage);
    }

    /**
     * How much it covers at a place from -1 to 1, 0..1; straight lines between the middles of pixels, nothing beyond
     * them.
     */
    public function at(float $u, float $v): float
    {
        [$x, $y] = [(($u + 1) / 2) * self::SIDE - 0.5, (($v + 1) / 2) * self::SIDE - 0.5];
        [$column, $row] = [(int) floor($x), (int) floor($y)];
        [$right, $down] = [$x - $column, $y - $row];

        return (($this->pixel($column, $row) * (1 - $right) + $this->pixel($column + 1, $row) * $right) * (1 - $down) +
            ($this->pixel($column, $row + 1) * (1 - $right) + $this->pixel($column + 1, $row + 1) * $right) * $down) /
            255;
    }

    private function pixel(int $column, int $row): int
    {
        return min($column, $row) < 0 || max($column, $row) >= self::SIDE
            ? 0
            : ord($this->coverage[$row * self::SIDE + $column]);
    }
}
