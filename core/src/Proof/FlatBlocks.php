<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Histogram;
use Awning\Core\Raster\Paint;

/**
 * A picture in blocks of some pixels, each with its mean colour and whether it lies in a flat area: no edge, no
 * smoothed line, no soft gradient. Of each block a few pixels are looked at; over a flat area noise averages out.
 */
final readonly class FlatBlocks
{
    /**
     * Pixels of a block may differ so much in a channel without an edge; or so many times what half of all blocks do.
     */
    private const NOISE = 20;

    private const TIMES_NOISE = 3;

    /** The same for the means of the blocks on either side. */
    private const SLOPE = 5;

    private const TIMES_SLOPE = 5;

    /**
     * @param  array{string, string, string}  $means  a byte a block for each channel
     * @param  string  $flat  a byte a block: 255 where it is flat
     */
    private function __construct(
        public int $side,
        public int $columns,
        public int $rows,
        public array $means,
        public string $flat,
    ) {
    }

    public static function of(Paint $picture): self
    {
        $side = self::side($picture->width * $picture->height);
        $columns = intdiv($picture->width + $side - 1, $side);
        $rows = intdiv($picture->height + $side - 1, $side);
        $means = [];
        $flat = str_repeat("\xff", $columns * $rows);
        foreach ([$picture->red, $picture->green, $picture->blue] as $plane) {
            [$means[], $ranges] = self::channel($plane, $picture, $side, $columns, $rows);
            $flat &= self::upTo($ranges, self::NOISE, self::TIMES_NOISE);
        }
        foreach ($means as $plane) {
            [$across, $along] = self::slopes($plane, $columns, $rows);
            $flat &=
                self::upTo($across, self::SLOPE, self::TIMES_SLOPE) &
                self::upTo($along, self::SLOPE, self::TIMES_SLOPE);
        }

        return new self($side, $columns, $rows, $means, $flat);
    }

    /** @return string 255 where a byte is not more than a limit, or than some times their median */
    private static function upTo(string $bytes, int $limit, int $times): string
    {
        $median = Histogram::quantile((array) count_chars($bytes), 0.5);

        return strtr(
            $bytes,
            Bytes::identity(),
            Bytes::table(fn (int $byte): int => $byte <= max($limit, $times * $median) ? 255 : 0),
        );
    }

    /** Pixels across: small pictures are looked at closely. */
    private static function side(int $pixels): int
    {
        return $pixels <= 1_500_000 ? 2 : ($pixels <= 6_000_000 ? 3 : ($pixels <= 20_000_000 ? 4 : 6));
    }

    /** @return array{string, string} means, and by how much the pixels of a block differ */
    private static function channel(string $plane, Paint $picture, int $side, int $columns, int $rows): array
    {
        $means = $ranges = '';
        $last = $side - 1;
        $middle = intdiv($side, 2);
        for ($row = 0; $row < $rows; $row++) {
            $top = $row * $side;
            $above = $top * $picture->width;
            $below = min($picture->height - 1, $top + $last) * $picture->width;
            $between = min($picture->height - 1, $top + $middle) * $picture->width;
            for ($column = 0, $x = 0; $column < $columns; $column++, $x += $side) {
                $right = $x + $last < $picture->width ? $x + $last : $picture->width - 1;
                $centre = $x + $middle < $picture->width ? $x + $middle : $picture->width - 1;
                $a = ord($plane[$above + $x]);
                $b = ord($plane[$above + $right]);
                $c = ord($plane[$below + $x]);
                $d = ord($plane[$below + $right]);
                $e = ord($plane[$between + $centre]);
                $means .= chr((int) (($a + $b + $c + $d + $e) / 5 + 0.5));
                $ranges .= chr(max($a, $b, $c, $d, $e) - min($a, $b, $c, $d, $e));
            }
        }

        return [$means, $ranges];
    }

    /** @return array{string, string} by how much the blocks on either side differ, across and along */
    private static function slopes(string $plane, int $columns, int $rows): array
    {
        $across = $along = '';
        for ($row = 0, $at = 0; $row < $rows; $row++) {
            $up = $row > 0 ? $columns : 0;
            $down = $row < $rows - 1 ? $columns : 0;
            for ($column = 0; $column < $columns; $column++, $at++) {
                $across .= chr(
                    abs(ord($plane[$at - ($column > 0 ? 1 : 0)]) - ord($plane[$at + ($column < $columns - 1 ? 1 : 0)])),
                );
                $along .= chr(abs(ord($plane[$at - $up]) - ord($plane[$at + $down])));
            }
        }

        return [$across, $along];
    }
}
