<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Codec\Thumbnail;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\Surface\LitSurface;
use Awning\Core\Light\Surface\SettledSnow;
use Awning\Core\Light\Surface\SmallLight;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * A first light, computed from the shapes of regions: what of each lies in shade, what in the light, where it is dark
 * in the corners between things, and where a light from behind catches an edge. Each is a coverage to be laid as an
 * ordinary pass.
 *
 * A body takes light by Lambert's cosine law. It is worked out small (SmallLight), and the edge of a shade is found
 * afterwards, at full size.
 */
final readonly class RoughIn
{
    /** Half of the widest edge of a shade, as a cosine; softness is a part of it. */
    private const SOFTEST = 0.5;

    /** Half of the narrowest: narrower ones show the steps that cosines are kept in. */
    private const SHARPEST = 0.02;

    /**
     * Lines that begin to give way at some cosine have done so after this part of the way to where light falls
     * squarely.
     */
    private const OVER_LINES = 6 / 7;

    /**
     * @param  Plane  $deep  where a body turns far from the light, and where one shadow lies on another
     * @param  Plane  $bounce  where what lies behind the shade throws light back
     * @param  Plane  $lines  where lines give way to light
     * @param  Plane  $cast  shadows that fall on it
     * @param  list<Plane>  $lamps  what each lamp of the scene does
     * @param  Plane  $snow  where snow has settled
     * @param  Plane  $snowShade  where that snow lies in shade
     * @param  Plane  $unseen  where lines were that are not shown
     */
    private function __construct(
        public Plane $shade,
        public Plane $deep,
        public Plane $light,
        public Plane $glint,
        public Plane $occlusion,
        public Plane $bounce,
        public Plane $cast,
        public Plane $rim,
        public array $lamps,
        public Plane $lines,
        public Plane $snow,
        public Plane $snowShade,
        public Plane $unseen,
    ) {
    }

    /**
     * @param  Labels  $labels  0 is nothing: no body, but no neighbour that darkens, either
     * @param  int  $work  pixels of bodies that are worked out
     */
    public static function of(
        Labels $labels,
        KeyLight $key,
        RoughDials $dials = new RoughDials,
        Scene $scene = new Scene,
        int $work = SmallLight::WORK,
    ): self {
        return self::from(SmallLight::of($labels, $key, $dials, $scene, $work), $labels, $dials, $scene);
    }

    /** The same, of what has been worked out of those labels by those dials already. */
    public static function from(
        SmallLight $worked,
        Labels $labels,
        RoughDials $dials = new RoughDials,
        Scene $scene = new Scene,
    ): self {
        return self::inside(new Rect(0, 0, $labels->width, $labels->height), $labels, $worked, $dials, $scene);
    }

    /**
     * The same of a part of a plane.
     *
     * @param  Rect  $where  one of the cells in which there are bodies, say
     */
    public static function inside(
        Rect $where,
        Labels $labels,
        SmallLight $worked,
        RoughDials $dials,
        Scene $scene,
    ): self {
        $bodies = LitSurface::inside($labels->crop($where));
        $averaged = fn (string $data): string => $worked->finer === 1
            ? $data
            : Thumbnail::shrink(
                $data,
                $where->width * $worked->finer,
                $where->height * $worked->finer,
                $where->width,
                $where->height,
            );
        $inBodies = fn (string $data): Plane => new Plane($where->width, $where->height, $data & $bodies);
        $plane = fn (string $data): Plane => $inBodies($averaged($data));
        $thrown = $scene->cast === null ? null : ($scene->cast)($where);
        $cast = $inBodies($thrown->data ?? str_repeat("\0", strlen($bodies)));
        // Some at a time: those of a whole page are large.
        [$lambert, $shine, $occlusion] = $worked->enlarged(
            $where,
            $worked->lambert,
            $worked->shine,
            $worked->occlusion,
        );
        $glint = $plane(self::spot($shine, $dials->glint, $dials->glintSoft));
        unset($shine);
        $edge = $dials->reach;
        $shade = $plane(self::behind($lambert, $edge, $dials->soft));
        $turned = $averaged(self::behind($lambert, $edge - $dials->deepFrom, $dials->deepSoft));
        $deep = $inBodies(Bytes::most($turned, Bytes::product($shade->data, $cast->data)));
        $light = $plane(self::spot($lambert, $dials->lit, $dials->litSoft));
        $bounced = $edge - $dials->bounceFrom;
        $bounce = $plane(self::stepped($lambert, $bounced, $bounced - $dials->bounceOver));
        $over = self::stepped(
            $lambert,
            $dials->linesFrom,
            $dials->linesFrom + self::OVER_LINES * (1 - $dials->linesFrom),
        );
        $lines = $plane(
            strtr($over, Bytes::identity(), Bytes::table(fn (int $value): float => $value * $dials->lines)),
        );
        unset($lambert);
        [$snow, $snowRim] = self::snow($worked, $where, $dials, $scene);
        $snowShade = Bytes::product($averaged($snow), Bytes::most($shade->data, $averaged($snowRim)));
        $shining = array_map($plane, $worked->enlarged($where, $worked->lit->rim, ...$worked->lit->lamps));

        $unseen = $scene->unseen === null ? null : ($scene->unseen)($where);

        return new self(
            shade: $shade,
            deep: $deep,
            light: $light,
            glint: $glint,
            occlusion: $plane($occlusion),
            bounce: $bounce,
            cast: $cast,
            rim: $shining[0],
            lamps: array_slice($shining, 1),
            lines: $lines,
            snow: $plane($snow),
            snowShade: $inBodies($snowShade),
            unseen: $inBodies($unseen->data ?? str_repeat("\0", strlen($bodies))),
        );
    }

    /** @return array{string, string} where it lies, and where it turns downward; as finely as it is worked out */
    private static function snow(SmallLight $worked, Rect $where, RoughDials $dials, Scene $scene): array
    {
        $by = $worked->finer;
        if ($dials->snow <= 0) {
            $none = str_repeat("\0", $where->width * $where->height * $by ** 2);

            return [$none, $none];
        }
        $snow = SettledSnow::on(
            $worked->enlarged($where, $worked->up)[0],
            new Rect(
                ($where->x + $scene->x) * $by,
                ($where->y + $scene->y) * $by,
                $where->width * $by,
                $where->height * $by,
            ),
            $dials->snow,
            $dials->snowLumps,
            $dials->snowSize * $by,
        );

        return [$snow->cover, $snow->rim];
    }

    /** What turns further from the light than a cosine, with an edge so soft. */
    private static function behind(string $lambert, float $edge, float $softness): string
    {
        $soft = max(self::SHARPEST, self::SOFTEST * $softness);

        return self::stepped($lambert, $edge + $soft, $edge - $soft);
    }

    /** What is so near to the best of a cosine. */
    private static function spot(string $cosine, float $size, float $softness): string
    {
        $soft = max(0.001, $softness * $size);

        return $size > 0
            ? self::stepped($cosine, 1 - $size - $soft, 1 - $size + $soft)
            : str_repeat("\0", strlen($cosine));
    }

    /** Coverage from nothing at one cosine to all at another. */
    private static function stepped(string $lambert, float $from, float $to): string
    {
        return strtr(
            $lambert,
            Bytes::identity(),
            Bytes::table(fn (int $value): float => 255 * self::smooth(($value / 127.5 - 1 - $from) / ($to - $from))),
        );
    }

    /** 0 below 0, 1 above 1, and the usual cubic between. */
    private static function smooth(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }
}
