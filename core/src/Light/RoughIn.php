<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Codec\Resized;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/**
 * A first light, computed from the shapes of regions: what of each lies in shade, what in the light, where it is dark in the
 * corners between things, and where a light from behind catches an edge. Each is a coverage to be laid as an ordinary pass.
 *
 * A body takes light by Lambert's cosine law. Large planes are worked out smaller: round bodies change slowly, and the edge of
 * a shade is found afterwards, at full size.
 */
final readonly class RoughIn
{
    /** Pixels of bodies that are worked out; larger planes are halved, thirded … to no more. */
    public const WORK = 90_000;

    /** Half of the widest edge of a shade, as a cosine; softness is a part of it. */
    private const SOFTEST = 0.5;

    /** The deep shade ends so far behind the shade. */
    private const DEEPER = 0.45;

    /** Light is where the cosine is near its best: from here, with such an edge. */
    private const LIT = 0.86;

    private const LIT_SOFT = 0.05;

    /** A glint is where the surface faces half-way between the light and the reader, or nearly. */
    private const GLINT = 0.985;

    private const GLINT_SOFT = 0.008;

    /** Lines begin to give way at the first of these cosines, and have at the second. */
    private const OVER_LINES = [0.3, 0.9];

    /** Bounced light begins so far behind the edge of the shade, and is at its best so far. */
    private const BOUNCE = [-0.2, -0.8];

    /**
     * @param  array{string, string, string}  $facing  where the small plane's surface faces: right, up, toward the reader; 0..255 for -1..1
     * @param  Plane  $deep  where a body turns far from the light, and where one shadow lies on another
     * @param  Plane  $bounce  where what lies behind the shade throws light back
     * @param  Plane  $lines  where lines give way to light
     * @param  Plane  $cast  shadows that fall on it
     * @param  list<Plane>  $lamps  what each lamp of the scene does
     */
    private function __construct(
        private Labels $small, private array $facing, public Plane $shade, public Plane $deep, public Plane $light, public Plane $glint, public Plane $occlusion,
        public Plane $bounce, public Plane $cast, public Plane $rim, public array $lamps, public Plane $lines,
    ) {
    }

    /**
     * @param  Labels  $labels  0 is nothing: no body, but no neighbour that darkens, either
     * @param  int  $work  pixels of bodies that are worked out
     */
    public static function of(Labels $labels, KeyLight $key, RoughDials $dials = new RoughDials, Scene $scene = new Scene, int $work = self::WORK): self
    {
        $by = (int) max(1, ceil(sqrt(self::bodyPixels($labels) / $work)));
        $small = $by === 1 ? $labels : $labels->thinned($by);
        $lit = LitSurface::of($small, Facing::of($small, $scene->bodies, $dials->folds, $scene->solids, array_map(fn (Along $flow): Along => $flow->smaller($by), $scene->flows)), $key, $dials->rim / $by, $scene->back, array_map(fn (NearLight $lamp): NearLight => $lamp->smaller($by), $scene->lamps));
        [$lambert, $shine] = [$lit->lambert, $lit->shine];
        if ($small !== $labels) {
            // Else the edge of a body would be lit by the nothing beside it.
            $lambert = self::spread($lambert, $lit->inside, $small->width);
            $shine = self::spread($shine, $lit->inside, $small->width);
        }
        $bodies = LitSurface::inside($labels);
        $enlarged = fn (string ...$planes): array => Resized::planes(array_values($planes), $small->width, $small->height, $labels->width, $labels->height);
        $plane = fn (string $data): Plane => new Plane($labels->width, $labels->height, $data & $bodies);
        $cast = $plane($scene->cast->data ?? str_repeat("\0", strlen($bodies)));
        // Some at a time: those of a whole page are large.
        [$lambert, $shine, $occlusion] = $enlarged($lambert, $shine, $lit->occlusion);
        $glint = $plane(self::stepped($shine, self::GLINT - self::GLINT_SOFT, self::GLINT + self::GLINT_SOFT));
        unset($shine);
        $soft = max(0.02, self::SOFTEST * $dials->soft);
        $edge = $dials->reach;
        $shade = $plane(self::stepped($lambert, $edge + $soft, $edge - $soft));
        $deep = $plane(Bytes::most(self::stepped($lambert, $edge - self::DEEPER + $soft, $edge - self::DEEPER - $soft), Bytes::product($shade->data, $cast->data)));
        $light = $plane(self::stepped($lambert, self::LIT - self::LIT_SOFT, self::LIT + self::LIT_SOFT));
        $bounce = $plane(self::stepped($lambert, $edge + self::BOUNCE[0], $edge + self::BOUNCE[1]));
        $lines = $plane(strtr(self::stepped($lambert, ...self::OVER_LINES), Bytes::identity(), Bytes::table(fn (int $value): float => $value * $dials->lines)));
        unset($lambert);
        $occlusion = $plane($occlusion);
        $back = array_map($plane, $enlarged($lit->rim, ...$lit->lamps));

        return new self($small, $lit->facing, $shade, $deep, $light, $glint, $occlusion, $bounce, $cast, $back[0], array_slice($back, 1), $lines);
    }

    /** @return array{Plane, Plane, Plane} where each pixel faces: right, up, toward the reader; 0..255 for -1..1. What is no body faces the reader */
    public function normals(): array
    {
        [$width, $height] = [$this->shade->width, $this->shade->height];
        [$right, $up, $near] = Resized::planes($this->facing, $this->small->width, $this->small->height, $width, $height);

        return [new Plane($width, $height, $right), new Plane($width, $height, $up), new Plane($width, $height, $near)];
    }

    /** Coverage from nothing at one cosine to all at another. */
    private static function stepped(string $lambert, float $from, float $to): string
    {
        return strtr($lambert, Bytes::identity(), Bytes::table(fn (int $value): float => 255 * self::smooth(($value / 127.5 - 1 - $from) / ($to - $from))));
    }

    /**
     * What is no body, beside one, takes the value of that.
     *
     * @param  string  $inside  255 where there is a body
     */
    private static function spread(string $plane, string $inside, int $width): string
    {
        $spread = $plane;
        for ($at = strcspn($inside, "\0"), $count = strlen($inside); $at < $count; $at += 1 + strcspn($inside, "\0", $at + 1)) {
            foreach ([$at - 1, $at + 1, $at - $width, $at + $width] as $beside) {
                if ($beside >= 0 && $beside < $count && $inside[$beside] === "\xff") {
                    $spread[$at] = $plane[$beside];
                    break;
                }
            }
        }

        return $spread;
    }

    private static function bodyPixels(Labels $labels): int
    {
        $count = 0;
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $count += $label === 0 ? 0 : $to - $from;
        }

        return $count;
    }

    /** 0 below 0, 1 above 1, and the usual cubic between. */
    private static function smooth(float $part): float
    {
        $part = max(0.0, min(1.0, $part));

        return $part * $part * (3 - 2 * $part);
    }
}
