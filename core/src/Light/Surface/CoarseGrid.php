<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Codec\Resized;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Rect;

/** What is soft is worked out in places of so many px a side, and drawn in pixels again where it is wanted. */
final readonly class CoarseGrid
{
    /** Places around a part that the filter asks for which draws it larger. */
    private const AROUND = 3;

    /** @param  int  $by  px a side of a place */
    public function __construct(private int $by)
    {
    }

    /**
     * @param  Rect  $where  px
     * @param  int  $more  places beyond what drawing asks for
     * @return Rect the places that are needed to draw it
     */
    public function around(Rect $where, int $more = 0): Rect
    {
        $far = self::AROUND + $more;
        $from = fn (int $at): int => intdiv($at, $this->by) - $far;
        $to = fn (int $at): int => intdiv($at + $this->by - 1, $this->by) + $far;

        return Rect::bounds($from($where->x), $from($where->y), $to($where->right()), $to($where->bottom()));
    }

    /** @return Rect px that places cover */
    public function pixels(Rect $places): Rect
    {
        return new Rect(
            $places->x * $this->by,
            $places->y * $this->by,
            $places->width * $this->by,
            $places->height * $this->by,
        );
    }

    /**
     * @param  list<string>  $planes  one byte a place, each as if it were alone
     * @param  Rect  $places  where they lie
     * @param  Rect  $where  px that are drawn
     * @return list<string> one byte a pixel of those
     */
    public function drawn(array $planes, Rect $places, Rect $where): array
    {
        $all = $this->pixels($places);
        $here = new Rect($where->x - $all->x, $where->y - $all->y, $where->width, $where->height);

        return array_map(
            fn (string $plane): string => Bytes::crop($plane, $all->width, $all->height, $here, 1),
            Resized::planes($planes, $places->width, $places->height, $all->width, $all->height),
        );
    }
}
