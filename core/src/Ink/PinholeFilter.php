<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;

/** Fills tiny holes in solid black: those with black of some width on both sides, so that the gaps of hatching stay. */
final readonly class PinholeFilter
{
    /** Pixels of black on both sides. */
    private const SOLID = 6;

    /** @param  int  $area  holes of at most so many pixels are filled */
    public function __construct(private int $area)
    {
    }

    public function fill(Plane $ink): Plane
    {
        if ($this->area < 1) {
            return $ink;
        }
        $isInk = strtr($ink->data, Bytes::identity(), Bytes::threshold(128));
        $gaps = Runs::ofMarks($isInk, $ink->width, $ink->height, "\0");
        $holes = Components::of($gaps);
        $open = [];
        foreach ($holes->of as $run => $hole) {
            if (
                $holes->area[$hole] <= $this->area &&
                ! $this->isWithinBlack($isInk, $gaps->from[$run], $gaps->to[$run], $ink->width)
            ) {
                $open[$hole] = true;
            }
        }
        $data = '';
        $done = 0;
        foreach ($holes->of as $run => $hole) {
            if ($holes->area[$hole] <= $this->area && ! isset($open[$hole])) {
                // The grey rim of a hole goes with it.
                $from = max($done, $gaps->from[$run] - 1);
                $data .= substr($ink->data, $done, $from - $done).str_repeat("\xff", $gaps->to[$run] + 1 - $from);
                $done = $gaps->to[$run] + 1;
            }
        }

        return new Plane($ink->width, $ink->height, $data.substr($ink->data, $done));
    }

    private function isWithinBlack(string $isInk, int $from, int $to, int $width): bool
    {
        $x = $from % $width;

        return $x >= self::SOLID &&
            $x + $to - $from + self::SOLID <= $width &&
            strspn($isInk, "\xff", $from - self::SOLID, self::SOLID) === self::SOLID &&
            strspn($isInk, "\xff", $to, self::SOLID) === self::SOLID;
    }
}
