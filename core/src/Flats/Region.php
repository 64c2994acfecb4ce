<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/** A connected area of the flats. */
final readonly class Region
{
    /**
     * @param  int  $label  1 to 65535
     * @param  int  $area  free pixels, those under the ink not counted
     * @param  int  $x  a pixel inside it, in the middle of its longest run
     */
    public function __construct(public int $label, public int $area, public int $x, public int $y)
    {
    }
}
