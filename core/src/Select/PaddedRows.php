<?php

declare(strict_types=1);

namespace Awning\Core\Select;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/** A rectangle of coverage that is made row by row in a part of it alone. */
final readonly class PaddedRows
{
    /**
     * @param  Rect  $here  the part of the rectangle where there may be something
     * @param  \Closure(int): string  $row  the coverage of a row of that part, by its y on the page
     * @return ?string one byte a pixel of the whole rectangle; null where nothing is covered
     */
    public static function of(Rect $rect, Rect $here, \Closure $row): ?string
    {
        if ($here->isEmpty()) {
            return null;
        }
        [$before, $after] = [str_repeat("\0", $here->x - $rect->x), str_repeat("\0", $rect->right() - $here->right())];
        $data = str_repeat("\0", ($here->y - $rect->y) * $rect->width);
        for ($y = $here->y; $y < $here->bottom(); $y++) {
            $data .= $before.$row($y).$after;
        }
        $data .= str_repeat("\0", ($rect->bottom() - $here->bottom()) * $rect->width);

        return Bytes::isNothing($data) ? null : $data;
    }
}
