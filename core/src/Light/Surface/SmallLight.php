<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\NearLight;
use Awning\Core\Light\Plan\RoughDials;
use Awning\Core\Light\Scene;
use Awning\Core\Raster\Blur;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;

/**
 * What a light does on bodies, worked out on a plane so many times smaller, as round bodies change slowly; and drawn
 * larger again where it is wanted.
 */
final readonly class SmallLight
{
    /** Pixels of bodies that are worked out; larger planes are halved, thirded … to no more. */
    public const WORK = 90_000;

    /** Small pixels beyond a body that the filter asks for which draws it larger. */
    private const BEYOND = 3;

    /**
     * Places over which the dark of touches is smoothed, as a bell; and how much it loses where it is as narrow as it
     * can be.
     */
    private const SOFTENED = 1.0;

    private const STRONGER = 1.25;

    /** Over this part of the way from lump to lump snow thins out, to either side of where it is sheltered. */
    private const SHELTERED = 0.3;

    /** About so many px along a side has a cell of a large plane. */
    private const CELL = 512;

    /**
     * @param  int  $by  how many times smaller
     * @param  int  $finer  how many times larger than the plane it is drawn
     * @param  string  $lambert  as the surface's, gone on with a pixel beside bodies
     * @param  string  $shine  as well
     * @param  string  $up  as well: how far the surface faces up, to the open sky
     * @param  string  $occlusion  the surface's, softened by as much as places of it are larger than the plane's
     */
    private function __construct(
        private int $by,
        public int $finer,
        private Rect $whole,
        private Labels $small,
        public LitSurface $lit,
        public string $lambert,
        public string $shine,
        public string $up,
        public string $occlusion,
    ) {
    }

    /**
     * @param  Labels  $labels  0 is nothing: no body, but no neighbour that darkens, either
     * @param  int  $work  pixels of bodies that are worked out
     * @param  int  $finer  how many times larger than the plane it is to be drawn
     */
    public static function of(
        Labels $labels,
        KeyLight $key,
        RoughDials $dials = new RoughDials,
        Scene $scene = new Scene,
        int $work = self::WORK,
        int $finer = 1,
    ): self {
        $by = (int) max(1, ceil(sqrt(self::bodyPixels($labels) / $work)));
        $small = $by === 1 ? $labels : $labels->thinned($by);
        $flows = array_map(fn (DirectionField $flow): DirectionField => $flow->smaller($by), $scene->flows);
        $lamps = array_map(fn (NearLight $lamp): NearLight => $lamp->smaller($by), $scene->lamps);
        $lit = LitSurface::of(
            $small,
            SurfaceNormals::of($small, $scene->bodies, $dials->folds, $scene->solids, $flows),
            $key,
            $dials->smaller($by),
            $scene->back,
            $lamps,
        );
        // Else the edge of a body would be lit by the nothing beside it, when it is drawn larger.
        $up =
            $dials->snow > 0
                ? OpenSky::over(
                    $small,
                    $scene->bodies,
                    $scene->solids,
                    $lit->facing[1],
                    (int) max(1, round($dials->smaller($by)->snowSize * self::SHELTERED)),
                )
                : $lit->facing[1];
        $planes = [$lit->lambert, $lit->shine, $up];
        [$lambert, $shine, $up] =
            $by * $finer === 1 ? $planes : self::spread($planes, $lit->inside, $small->width);

        return new self(
            by: $by,
            finer: $finer,
            whole: new Rect(0, 0, $labels->width, $labels->height),
            small: $small,
            lit: $lit,
            lambert: $lambert,
            shine: $shine,
            up: $up,
            occlusion: $by === 1 ? $lit->occlusion : self::softened($lit->occlusion, $small, $dials->cornersDark),
        );
    }

    /**
     * @param  Rect  $where  px of the large plane
     * @param  string  ...$planes  of the small one, one byte a pixel
     * @return list<string> as large as that, or so many times finer
     */
    public function enlarged(Rect $where, string ...$planes): array
    {
        $planes = array_values($planes);
        $by = $this->by * $this->finer;
        if ($by === 1) {
            return array_map(
                fn (string $plane): string => Bytes::crop($plane, $this->small->width, $this->small->height, $where, 1),
                $planes,
            );
        }
        $around = (new CoarseGrid($this->by))
            ->around($where)
            ->intersect(new Rect(0, 0, $this->small->width, $this->small->height));
        $cut = array_map(
            fn (string $plane): string => Bytes::crop($plane, $this->small->width, $this->small->height, $around, 1),
            $planes,
        );
        $finely = new Rect(
            $where->x * $this->finer,
            $where->y * $this->finer,
            $where->width * $this->finer,
            $where->height * $this->finer,
        );

        return (new CoarseGrid($by))->drawn($cut, $around, $finely);
    }

    /**
     * Where in a large plane there are bodies.
     *
     * @return list<Rect> all of it, when it is not large
     */
    public function cells(Labels $labels): array
    {
        if ($this->whole->width * $this->whole->height <= 2 * self::CELL ** 2) {
            return [$this->whole];
        }
        $cells = [];
        for ($y = 0; $y < $this->whole->height; $y += self::CELL) {
            for ($x = 0; $x < $this->whole->width; $x += self::CELL) {
                $cell = (new Rect($x, $y, self::CELL, self::CELL))->intersect($this->whole);
                if (self::holdsBody($labels, $cell)) {
                    $cells[] = $cell;
                }
            }
        }

        return $cells;
    }

    /**
     * @return array{Plane, Plane, Plane} where each pixel faces: right, up, toward the reader; 0..255 for -1..1. What
     *     is no body faces the reader
     */
    public function normals(): array
    {
        [$right, $up, $near] = $this->enlarged($this->whole, ...$this->lit->facing);

        return array_map(fn (string $plane): Plane => new Plane($this->whole->width, $this->whole->height, $plane), [
            $right,
            $up,
            $near,
        ]);
    }

    private static function holdsBody(Labels $labels, Rect $cell): bool
    {
        for ($y = $cell->y; $y < $cell->bottom(); $y++) {
            if (
                strspn($labels->data, "\0", 2 * ($y * $labels->width + $cell->x), 2 * $cell->width) <
                2 * $cell->width
            ) {
                return true;
            }
        }

        return false;
    }

    /**
     * Touches are told by whole places, and narrow dark along them in steps: they are smoothed, and as dark as they
     * were.
     */
    private static function softened(string $occlusion, Labels $small, float $darkest): string
    {
        return (new Blur(self::SOFTENED))->ofBytes(
            $occlusion,
            $small->width,
            $small->height,
            self::STRONGER,
            255 * $darkest,
        );
    }

    /**
     * What is no body, near one, takes the value of that, as far as the filter asks for which draws it larger.
     *
     * @param  list<string>  $planes  of one size
     * @param  string  $inside  255 where there is a body
     * @return list<string>
     */
    private static function spread(array $planes, string $inside, int $width): array
    {
        $known = $inside;
        $edge = self::edge($inside, $width);
        for ($far = 1; $far <= self::BEYOND; $far++) {
            $next = [];
            foreach ($edge as $at) {
                foreach (self::beside($at, $width, strlen($inside)) as $beside) {
                    if ($known[$beside] !== "\xff") {
                        foreach ($planes as &$plane) {
                            $plane[$beside] = $plane[$at];
                        }
                        unset($plane);
                        $known[$beside] = "\xff";
                        $next[] = $beside;
                    }
                }
            }
            $edge = $next;
        }

        return $planes;
    }

    /** @return list<int> pixels of bodies at the ends of their rows, and above or below of which there is none */
    private static function edge(string $inside, int $width): array
    {
        $beyond = str_repeat("\0", $width);
        $covered =
            $inside &
            ("\0".substr($inside, 0, -1)) &
            (substr($inside, 1)."\0") &
            ($beyond.substr($inside, 0, -$width)) &
            (substr($inside, $width).$beyond);
        $open = $inside & ~$covered;
        $edge = [];
        for ($at = strpos($open, "\xff"); $at !== false; $at = strpos($open, "\xff", $at + 1)) {
            $edge[] = $at;
        }

        return $edge;
    }

    /** @return list<int> */
    private static function beside(int $at, int $width, int $count): array
    {
        $x = $at % $width;

        return array_values(
            array_filter(
                [
                    $x > 0 ? $at - 1 : -1,
                    $x < $width - 1 ? $at + 1 : -1,
                    $at - $width,
                    $at + $width < $count ? $at + $width : -1,
                ],
                fn (int $beside): bool => $beside >= 0,
            ),
        );
    }

    private static function bodyPixels(Labels $labels): int
    {
        $count = 0;
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $count += $label === 0 ? 0 : $to - $from;
        }

        return $count;
    }
}
