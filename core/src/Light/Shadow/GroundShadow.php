<?php

declare(strict_types=1);

namespace Awning\Core\Light\Shadow;

use Awning\Core\Light\Surface\CoarseGrid;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\Runs;

/**
 * The dark beneath what stands on something: under soles, keels, the feet of a table. It lies flat, wider than high,
 * and falls by (1 - d²)², d from 0 at the sole to 1 where it ends. The formula is ours; that it is so flat is common
 * practice.
 */
final readonly class GroundShadow
{
    /** How much of what stands, from below, may be its soles. */
    private const SOLES = 0.08;

    /** So many times as wide as high. */
    private const FLAT = 3;

    /** So many places from the sole to where it ends are enough for it. */
    private const PLACES = 10;

    /**
     * @param  list<array{int, int, int}>  $soles  first pixel of a row, pixel after the last, row
     * @param  float  $reach  px to either side
     */
    private function __construct(private Plane $standing, private array $soles, private float $reach)
    {
    }

    /**
     * @param  Plane  $standing  of the whole page; 255 where something stands
     * @param  Plane  $ground  255 where that is on which it may stand
     * @param  float  $reach  px to either side of a sole, at least 1
     */
    public static function of(Plane $standing, Plane $ground, float $reach): self
    {
        $runs = Runs::ofMarks($standing->data, $standing->width, $standing->height, "\xff");
        $things = Components::of($runs, true);
        $lowest = self::lowest($runs, $things);
        $soles = [];
        for ($y = 0; $y < $standing->height - 1; $y++) {
            for ($run = $runs->row[$y]; $run < $runs->row[$y + 1]; $run++) {
                if ($y >= $lowest[$things->of[$run]]) {
                    array_push($soles, ...self::beneath($runs->from[$run], $runs->to[$run], $y, $ground));
                }
            }
        }

        return new self($standing, $soles, $reach);
    }

    /** @return ?Plane coverage of one place of the page, what stands left out; null: there is none */
    public function on(Rect $where): ?Plane
    {
        $by = max(1, (int) round($this->reach / self::PLACES));
        $coarse = new CoarseGrid($by);
        $around = $coarse->around($where);
        $small = $this->worked($around, $by);

        return $small === null
            ? null
            : new Plane(
                $where->width,
                $where->height,
                $coarse->drawn([$small], $around, $where)[0] & ~$this->standing->crop($where)->data,
            );
    }

    /**
     * @param  Rect  $around  places, each of so many px a side
     * @return ?string coverage of each
     */
    private function worked(Rect $around, int $by): ?string
    {
        $darkest = [];
        $high = $this->reach / self::FLAT;
        foreach ($this->soles as [$from, $to, $row]) {
            $box = Rect::bounds(
                (int) floor(($from - $this->reach) / $by),
                (int) floor(($row - $high) / $by),
                (int) ceil(($to + $this->reach) / $by),
                (int) ceil(($row + $high) / $by) + 1,
            )->intersect($around);
            for ($y = $box->y; $y < $box->bottom(); $y++) {
                $down = ((($y + 0.5) * $by - $row - 1) / $high) ** 2;
                for ($x = $box->x; $x < $box->right(); $x++) {
                    $middle = ($x + 0.5) * $by;
                    $squared = $down + (max(0.0, $from - $middle, $middle - $to) / $this->reach) ** 2;
                    $at = ($y - $around->y) * $around->width + $x - $around->x;
                    $darkest[$at] = max($darkest[$at] ?? 0.0, max(0.0, 1 - $squared) ** 2);
                }
            }
        }
        if ($darkest === []) {
            return null;
        }
        $coverage = str_repeat("\0", $around->width * $around->height);
        foreach ($darkest as $at => $dark) {
            $coverage[$at] = chr((int) round(255 * $dark));
        }

        return $coverage;
    }

    /** @return array<int, float> of each thing the row from which its soles may be */
    private static function lowest(Runs $runs, Components $things): array
    {
        $top = $bottom = [];
        foreach ($things->of as $run => $thing) {
            $row = intdiv($runs->from[$run], $runs->width);
            $top[$thing] ??= $row;
            $bottom[$thing] = $row;
        }

        return array_map(fn (int $from, int $to): float => $to - self::SOLES * ($to - $from + 1), $top, $bottom);
    }

    /**
     * Where the ground lies below a run of pixels.
     *
     * @return list<array{int, int, int}>
     */
    private static function beneath(int $from, int $to, int $y, Plane $ground): array
    {
        $below = substr($ground->data, $from + $ground->width, $to - $from);
        $soles = [];
        for ($at = strcspn($below, "\xff"); $at < $to - $from; $at += strcspn($below, "\xff", $at)) {
            $length = strspn($below, "\xff", $at);
            $x = $from - $y * $ground->width + $at;
            $soles[] = [$x, $x + $length, $y];
            $at += $length;
        }

        return $soles;
    }
}
