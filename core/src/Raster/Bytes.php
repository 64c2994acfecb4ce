<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** The few string idioms every plane operation rests on. */
final class Bytes
{
    private static ?string $identity = null;

    /** The bytes 0 to 255 in order: the "from" side of a table look-up by strtr. */
    public static function identity(): string
    {
        return self::$identity ??= self::of(range(0, 255));
    }

    /** @param  array<int, int>  $values  0..255 each */
    public static function of(array $values): string
    {
        return implode('', array_map(chr(...), $values));
    }

    /**
     * A 256-byte table out of a function.
     *
     * @param  callable(int): (int|float)  $function  its result is rounded and held to 0..255
     */
    public static function table(callable $function): string
    {
        $table = '';
        for ($value = 0; $value < 256; $value++) {
            $table .= chr(max(0, min(255, (int) round($function($value)))));
        }

        return $table;
    }

    /** A table that gives 255 from $level upward and 0 below. */
    public static function threshold(int $level): string
    {
        $level = max(0, min(256, $level));

        return str_repeat("\0", $level).str_repeat("\xff", 256 - $level);
    }

    /**
     * Whether all are 0. Compared with as many zeros: many at a time, where a look for the first other one goes byte by
     * byte.
     */
    public static function isNothing(string $bytes): bool
    {
        return $bytes === str_repeat("\0", strlen($bytes));
    }

    private static ?string $partial = null;

    /** The more of two planes, byte by byte. Only where both are neither nothing nor full is there a loop. */
    public static function most(string $a, string $b): string
    {
        self::$partial ??= "\0".str_repeat("\xff", 254)."\0";
        $most = $a | $b;
        $both = strtr($a, self::identity(), self::$partial) & strtr($b, self::identity(), self::$partial);
        for ($at = strpos($both, "\xff"); $at !== false; $at = strpos($both, "\xff", $at + 1)) {
            $most[$at] = $a[$at] > $b[$at] ? $a[$at] : $b[$at];
        }

        return $most;
    }

    /** The product of two planes of 0..255, of which one is mostly nothing or full. */
    public static function product(string $mostlyPlain, string $other): string
    {
        self::$partial ??= "\0".str_repeat("\xff", 254)."\0";
        $product = $mostlyPlain & $other;
        $partial = strtr($mostlyPlain, self::identity(), self::$partial);
        for ($at = strpos($partial, "\xff"); $at !== false; $at = strpos($partial, "\xff", $at + 1)) {
            $product[$at] = chr(intdiv(ord($mostlyPlain[$at]) * ord($other[$at]) + 127, 255));
        }

        return $product;
    }

    /**
     * Cuts $rect out of a picture of $size bytes a pixel; outside the picture there is 0.
     */
    public static function crop(string $data, int $width, int $height, Rect $rect, int $size): string
    {
        $whole = new Rect(0, 0, $width, $height);
        if ($rect == $whole) {
            return $data;
        }
        $inside = $rect->intersect($whole);
        if ($inside->isEmpty()) {
            return str_repeat("\0", $rect->width * $rect->height * $size);
        }
        if ($inside->width === $width && $rect->width === $width) {
            $rows = substr($data, $inside->y * $width * $size, $inside->height * $width * $size);
        } else {
            $left = str_repeat("\0", ($inside->x - $rect->x) * $size);
            $right = str_repeat("\0", ($rect->right() - $inside->right()) * $size);
            $rows = '';
            $length = $inside->width * $size;
            for (
                $y = $inside->y, $at = ($y * $width + $inside->x) * $size;
                $y < $inside->bottom();
                $y++, $at += $width * $size
            ) {
                $rows .= $left.substr($data, $at, $length).$right;
            }
        }
        $row = $rect->width * $size;

        return str_repeat("\0", ($inside->y - $rect->y) * $row).
            $rows.
            str_repeat("\0", ($rect->bottom() - $inside->bottom()) * $row);
    }
}
