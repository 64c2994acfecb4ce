<?php

declare(strict_types=1);

namespace Awning\Core\Codec;

use Awning\Core\Raster\Paint;

/** Lays a see-through picture on white paper, for formats without alpha. */
final class Flatten
{
    public function onWhite(Paint $paint): Paint
    {
        if ($paint->isOpaque()) {
            return $paint;
        }
        $lay = fn (string $plane): string => self::plane($plane, $paint->alpha);

        return new Paint(
            $paint->width,
            $paint->height,
            $lay($paint->red),
            $lay($paint->green),
            $lay($paint->blue),
            str_repeat("\xff", strlen($paint->red)),
        );
    }

    /** One channel as it looks on white paper. */
    public static function plane(string $plane, string $alpha): string
    {
        $end = strlen($alpha);
        $from = strspn($alpha, "\xff");
        if ($from === $end) {
            return $plane;
        }
        $out = substr($plane, 0, $from);
        while ($from < $end) {
            if (($clear = strspn($alpha, "\0", $from)) > 0) {
                $out .= str_repeat("\xff", $clear);
                $from += $clear;
            } elseif (($full = strspn($alpha, "\xff", $from)) > 0) {
                $out .= substr($plane, $from, $full);
                $from += $full;
            } else {
                $to = $from + strcspn($alpha, "\0\xff", $from);
                for (; $from < $to; $from++) {
                    $a = ord($alpha[$from]);
                    $out .= chr(255 - $a + intdiv(ord($plane[$from]) * $a + 127, 255));
                }
            }
        }

        return $out;
    }
}
