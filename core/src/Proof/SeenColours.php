<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\LinearRgb;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Plane;

/**
 * What a reader sees of each material on a page: the mean of its light, passes and mood and all, where no ink lies over
 * it. The mean is taken of linear light, as the eye at reading distance takes it.
 */
final class SeenColours
{
    /** So much ink darkens what it lies over. */
    private const TRACE = 12;

    /**
     * @param  Paint  $picture  the composed page
     * @param  array<array-key, int>  $materials  of each label; what is not among them is not counted
     * @return array<int, ColourOnPage> by material
     */
    public static function of(Paint $picture, Labels $labels, Plane $ink, array $materials): array
    {
        $bounds = $ink->mapped(Bytes::threshold(self::TRACE))->data;
        $seen = $count = [];
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $material = $materials[$label] ?? 0;
            while ($material > 0 && $from < $to) {
                $from += strcspn($bounds, "\0", $from, $to - $from);
                $length = strspn($bounds, "\0", $from, $to - $from);
                if ($length > 0) {
                    $seen[$material] ??= ['', '', ''];
                    $seen[$material][0] .= substr($picture->red, $from, $length);
                    $seen[$material][1] .= substr($picture->green, $from, $length);
                    $seen[$material][2] .= substr($picture->blue, $from, $length);
                    $count[$material] = ($count[$material] ?? 0) + $length;
                }
                $from += $length;
            }
        }
        $colours = [];
        foreach ($seen as $material => $planes) {
            $mean = new LinearRgb(self::mean($planes[0]), self::mean($planes[1]), self::mean($planes[2]));
            $colours[$material] = new ColourOnPage($mean->toRgb(), $count[$material] / strlen($picture->red));
        }

        return $colours;
    }

    /** @return float of linear light, 0..1 */
    private static function mean(string $plane): float
    {
        $sum = 0.0;
        foreach ((array) count_chars($plane, 1) as $value => $count) {
            $sum += $count * LinearRgb::decode($value / 255);
        }

        return $sum / strlen($plane);
    }
}
