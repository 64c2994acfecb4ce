<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

use Awning\Core\Codec\Resized;
use Awning\Core\Colour\Rgb;
use Awning\Core\Light\Surface\BorderDistance;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * What shining things shed around them over the whole picture: full on them, and (1 - d / reach) to a power at a
 * distance of d px from them: most of it close by, and no edge where it ends. The formula is ours. It is soft, so that
 * a large one is worked out smaller.
 */
final readonly class Glow
{
    /** Pixels that are worked out. */
    private const WORK = 60_000;

    /** @param  Plane  $coverage  of the place */
    private function __construct(public Rect $where, public Plane $coverage, public Rgb $colour)
    {
    }

    /**
     * @param  Plane  $shining  of the whole page; 255 where something shines
     * @param  float  $reach  px, at least 1
     * @param  float  $fall  the power by which it falls
     * @return ?self null when nothing shines
     */
    public static function around(Plane $shining, float $reach, float $fall, Rgb $colour): ?self
    {
        $lit = $shining->extent();
        if ($lit->isEmpty()) {
            return null;
        }
        $where = $lit->grown((int) ceil($reach))->intersect(new Rect(0, 0, $shining->width, $shining->height));
        $by = (int) max(1, ceil(sqrt(($where->width * $where->height) / self::WORK)));
        // How far each pixel of all that does not shine is from its border is how far it is from the light.
        $small = Labels::ofShape(new Plane($where->width, $where->height, ~$shining->crop($where)->data))->thinned($by);
        $reach = max(1.0, $reach / $by);
        $coverage = '';
        foreach (BorderDistance::squared($small, true) as $squared) {
            $coverage .= chr((int) round(255 * max(0.0, 1 - sqrt($squared) / $reach) ** $fall));
        }

        return new self(
            $where,
            new Plane(
                $where->width,
                $where->height,
                Resized::plane($coverage, $small->width, $small->height, $where->width, $where->height),
            ),
            $colour,
        );
    }
}
