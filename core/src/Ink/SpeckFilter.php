<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;

/** Drops dust: islands of ink, greys included, of fewer than a number of pixels. */
final readonly class SpeckFilter
{
    /** @param  int  $area  the least area, in pixels, that is kept */
    public function __construct(private int $area)
    {
    }

    /** @param-out  int  $dropped  how many islands went */
    public function drop(Plane $coverage, ?int &$dropped = null): Plane
    {
        $marked = strtr($coverage->data, Bytes::identity(), Bytes::threshold(24));
        $runs = Runs::ofMarks($marked, $coverage->width, $coverage->height, "\xff");
        $islands = Components::of($runs, diagonal: true);
        $dropped = count(array_filter($islands->area, fn (int $area): bool => $area < $this->area));
        $data = $coverage->data;
        // What is fainter than the mark is haze; it goes where nothing marked is beside it.
        $out = '';
        $done = 0;
        foreach ($islands->of as $run => $island) {
            if ($islands->area[$island] < $this->area) {
                $from = max($done, $runs->from[$run] - 1);
                $to = $runs->to[$run] + 1;
                $out .= substr($data, $done, $from - $done).str_repeat("\0", max(0, min($to, strlen($data)) - $from));
                $done = min(max($to, $from), strlen($data));
            }
        }

        return new Plane($coverage->width, $coverage->height, $out.substr($data, $done));
    }
}
