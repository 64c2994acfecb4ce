<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

use Awning\Core\Raster\Bytes;

/** Which parts of a colour, as sRGB codes them, something alters. */
enum Channel: string
{
    case All = 'all';
    case Red = 'red';
    case Green = 'green';
    case Blue = 'blue';

    /**
     * @param  array{float, float, float}  $colour  0..1
     * @param  callable(float): float  $value
     * @return array{float, float, float}
     */
    public function of(array $colour, callable $value): array
    {
        return match ($this) {
            self::All => [$value($colour[0]), $value($colour[1]), $value($colour[2])],
            self::Red => [$value($colour[0]), $colour[1], $colour[2]],
            self::Green => [$colour[0], $value($colour[1]), $colour[2]],
            self::Blue => [$colour[0], $colour[1], $value($colour[2])],
        };
    }

    /**
     * The same of every byte.
     *
     * @param  callable(float): float  $value  of 0..1, 0..1
     * @return array{string, string, string} 256 bytes each
     */
    public function tables(callable $value): array
    {
        $same = Bytes::identity();
        $table = Bytes::table(fn (int $byte): float => 255 * $value($byte / 255));

        return match ($this) {
            self::All => [$table, $table, $table],
            self::Red => [$table, $same, $same],
            self::Green => [$same, $table, $same],
            self::Blue => [$same, $same, $table],
        };
    }
}
