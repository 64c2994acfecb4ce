<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Codec\Resized;
use Awning\Core\Codec\Thumbnail;
use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * The dark that takes the place of lines which are not shown: soft, and deepest where a line was, so that a nose or a fold is still
 * told. Lines are blurred by a bell as wide as a line of the usual width, and made stronger again by as much as such a line loses.
 */
final readonly class UnseenLines
{
    /** Of the bell, in px at 300 dpi: about half of a line's width (common practice: 6 to 10 px). */
    private const SIGMA = 4.0;

    /** What a line of 8 px keeps in its middle of such a blur is 0.68; it is full again. */
    private const STRONGER = 1 / 0.68;

    /** Places around a part that the filter asks for which draws it larger. */
    private const AROUND = 3;

    private float $sigma;

    /** So many times smaller it is worked out. */
    private int $by;

    /**
     * @param  Plane  $ink  of the whole page
     * @param  float  $dpi  of it; 0: not known
     */
    public function __construct(private Plane $ink, float $dpi)
    {
        $this->sigma = self::SIGMA * ($dpi > 0 ? $dpi : 300) / 300;
        $this->by = max(1, (int) ($this->sigma / 2));
    }

    /** @return ?Plane coverage of one place of the page; null: there was no line */
    public function on(Rect $where): ?Plane
    {
        $by = $this->by;
        $blur = new Blur($this->sigma / $by);
        $far = $blur->reach() + self::AROUND;
        $around = Rect::bounds(intdiv($where->x, $by) - $far, intdiv($where->y, $by) - $far, intdiv($where->right() - 1, $by) + 1 + $far, intdiv($where->bottom() - 1, $by) + 1 + $far);
        [$width, $height] = [$around->width * $by, $around->height * $by];
        $ink = $this->ink->crop(new Rect($around->x * $by, $around->y * $by, $width, $height))->data;
        if (Bytes::isNothing($ink)) {
            return null;
        }
        $small = $by === 1 ? $ink : Thumbnail::shrink($ink, $width, $height, $around->width, $around->height);
        $lines = [];
        foreach (str_split($small) as $byte) {
            $lines[] = (float) ord($byte);
        }
        $soft = '';
        foreach ($blur->of($lines, $around->width, $around->height) as $value) {
            $soft .= chr((int) min(255, $value * self::STRONGER + 0.5));
        }
        $large = Resized::plane($soft, $around->width, $around->height, $width, $height);

        return new Plane($where->width, $where->height, Bytes::crop($large, $width, $height, new Rect($where->x - $around->x * $by, $where->y - $around->y * $by, $where->width, $where->height), 1));
    }
}
