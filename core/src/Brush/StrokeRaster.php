<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Rect;

/**
 * Turns a stroke into coverage. What a pixel gets depends on how far it is from the path, the nearest part counting, so
 * a stroke that crosses itself does not build up. The edge falls off over (1 - hardness) of the radius, never over less
 * than a pixel.
 */
final class StrokeRaster
{
    /** Thinnest a line gets at no pressure, in parts of the brush. */
    private const THIN = 0.12;

    /**
     * @param  Rect  $page  coverage outside is not made
     */
    public function draw(Path $path, Brush $brush, Rect $page): StrokeMask
    {
        $points = $path->followed($brush);
        $most = $brush->size / 2 + 1;
        $xs = array_column($points, 0);
        $ys = array_column($points, 1);
        $bounds = Rect::bounds(
            (int) floor(min($xs) - $most), (int) floor(min($ys) - $most),
            (int) ceil(max($xs) + $most), (int) ceil(max($ys) + $most),
        )->intersect($page);
        if ($bounds->isEmpty()) {
            return new StrokeMask($bounds, '');
        }
        $rows = array_fill(0, $bounds->height, str_repeat("\0", $bounds->width));
        $previous = $points[0];
        if (count($points) === 1) {
            $this->segment($rows, $bounds, $brush, $previous, $previous);
        }
        for ($i = 1, $count = count($points); $i < $count; $i++) {
            $this->segment($rows, $bounds, $brush, $previous, $points[$i]);
            $previous = $points[$i];
        }

        return new StrokeMask($bounds, implode('', $rows));
    }

    /**
     * @param  array<int, string>  $rows
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     */
    private function segment(array &$rows, Rect $bounds, Brush $brush, array $a, array $b): void
    {
        [$ax, $ay] = $a;
        $ra = $this->radius($brush, $a[2]);
        $rb = $this->radius($brush, $b[2]);
        $dx = $b[0] - $ax;
        $dy = $b[1] - $ay;
        $squared = $dx * $dx + $dy * $dy;
        $reach = max($ra, $rb) + 0.5;
        $soft = 1 - $brush->hardness;
        $left = max($bounds->x, (int) floor(min($ax, $b[0]) - $reach));
        $right = min($bounds->right(), (int) ceil(max($ax, $b[0]) + $reach));
        $top = max($bounds->y, (int) floor(min($ay, $b[1]) - $reach));
        $bottom = min($bounds->bottom(), (int) ceil(max($ay, $b[1]) + $reach));
        for ($y = $top; $y < $bottom; $y++) {
            $row = $rows[$y - $bounds->y];
            $py = $y + 0.5 - $ay;
            for ($x = $left; $x < $right; $x++) {
                $at = $x - $bounds->x;
                $now = ord($row[$at]);
                if ($now === 255) {
                    $x += strspn($row, "\xff", $at) - 1;

                    continue;
                }
                $px = $x + 0.5 - $ax;
                $t = $squared > 0 ? ($px * $dx + $py * $dy) / $squared : 0.0;
                $t = $t < 0 ? 0.0 : ($t > 1 ? 1.0 : $t);
                $radius = $ra + ($rb - $ra) * $t;
                $ox = $px - $dx * $t;
                $oy = $py - $dy * $t;
                $distance = $ox * $ox + $oy * $oy;
                $outer = $radius + 0.5;
                if ($distance >= $outer * $outer) {
                    continue;
                }
                $edge = $radius * $soft;
                $share = ($outer - sqrt($distance)) / ($edge > 1 ? $edge : 1.0);
                if ($share >= 1) {
                    $row[$at] = "\xff";

                    continue;
                }
                $value = (int) (255 * ($edge > 1 ? $share * $share * (3 - 2 * $share) : $share) + 0.5);
                if ($value > $now) {
                    $row[$at] = chr($value);
                }
            }
            $rows[$y - $bounds->y] = $row;
        }
    }

    private function radius(Brush $brush, float $pressure): float
    {
        return max(0.5, $brush->size / 2 * (self::THIN + (1 - self::THIN) * $pressure));
    }
}
