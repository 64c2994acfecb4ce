<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Codec\Thumbnail;
use Awning\Core\Light\Surface\CoarseGrid;
use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * The dark that takes the place of lines which are not shown: soft, and deepest where a line was, so that a nose or a
 * fold is still told. Lines are blurred by a bell as wide as a line of the usual width, and made stronger again by as
 * much as such a line loses.
 */
final readonly class UnseenLines
{
    /** Of the bell, in px at 300 dpi: about half of a line's width (common practice: 6 to 10 px). */
    private const SIGMA = 4.0;

    /** What a line of 8 px keeps in its middle of such a blur is 0.68; it is full again. */
    private const STRONGER = 1 / 0.68;

    private float $sigma;

    /** So many times smaller it is worked out. */
    private int $by;

    /**
     * @param  Plane  $ink  of the whole page
     * @param  float  $dpi  of it; 0: not known
     */
    public function __construct(private Plane $ink, float $dpi)
    {
        $this->sigma = (self::SIGMA * ($dpi > 0 ? $dpi : 300)) / 300;
        $this->by = max(1, (int) ($this->sigma / 2));
    }

    /** @return ?Plane coverage of one place of the page; null: there was no line */
    public function on(Rect $where): ?Plane
    {
        $coarse = new CoarseGrid($this->by);
        $blur = new Blur($this->sigma / $this->by);
        $around = $coarse->around($where, $blur->reach());
        $ink = $this->ink->crop($coarse->pixels($around));
        if (Bytes::isNothing($ink->data)) {
            return null;
        }
        $small =
            $this->by === 1
                ? $ink->data
                : Thumbnail::shrink($ink->data, $ink->width, $ink->height, $around->width, $around->height);
        $soft = $blur->ofBytes($small, $around->width, $around->height, self::STRONGER);

        return new Plane($where->width, $where->height, $coarse->drawn([$soft], $around, $where)[0]);
    }
}
