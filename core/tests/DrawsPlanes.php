<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Raster\Plane;

trait DrawsPlanes
{
    /** @param  callable(int, int): bool  $isInk */
    private function drawn(int $width, int $height, callable $isInk): Plane
    {
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $data .= $isInk($x, $y) ? "\xff" : "\0";
            }
        }

        return new Plane($width, $height, $data);
    }
}
