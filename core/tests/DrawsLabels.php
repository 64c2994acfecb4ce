<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** Labels and shapes by a rule, for tests. */
trait DrawsLabels
{
    /** @param  callable(int, int): int  $label */
    private static function drawn(int $width, int $height, callable $label): Labels
    {
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $data .= pack('n', $label($x, $y));
            }
        }

        return new Labels($width, $height, $data);
    }

    /** @param  callable(int, int): bool  $isIn */
    private static function shape(int $width, int $height, callable $isIn): Plane
    {
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $data .= $isIn($x, $y) ? "\xff" : "\0";
            }
        }

        return new Plane($width, $height, $data);
    }
}
