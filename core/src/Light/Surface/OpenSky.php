<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;

/**
 * How far bodies face up where nothing of their figure lies over them: a face below its hair, or a patch on a coat,
 * faces no sky. A place is open where the body goes on upward to an edge beyond which the figure has nothing, or only
 * what is told to be flat: the sky behind a roof, say.
 */
final class OpenSky
{
    /**
     * @param  Labels  $labels  of one figure; 0 is nothing
     * @param  array<int, int>  $bodies  the body each label belongs to, where that is told
     * @param  array<int, Solid>  $solids  labels of which a simple solid is told
     * @param  string  $up  one byte a px: how far the surface faces up, 0..255 for -1..1
     * @param  int  $reach  px to either side over which an open place becomes a sheltered one
     * @return string as that, and less toward places that are sheltered
     */
    public static function over(Labels $labels, array $bodies, array $solids, string $up, int $reach): string
    {
        [$width, $height] = [$labels->width, $labels->height];
        // Of the pixels of the row above: the body, and whether that is open.
        $above = array_fill(0, $width, 0);
        $isOpen = array_fill(0, $width, 1);
        $facing = '';
        for ($y = 0, $at = 0; $y < $height; $y++) {
            $sums = [$sum = 0];
            $counts = [$count = 0];
            for ($x = 0; $x < $width; $x++) {
                $label = $labels->at($x, $y);
                $isFlat = ($solids[$label] ?? null) === Solid::Flat;
                $body = $isFlat ? 0 : $bodies[$label] ?? $label;
                if ($body !== $above[$x]) {
                    $isOpen[$x] = $above[$x] === 0 ? 1 : 0;
                    $above[$x] = $body;
                }
                // What is no body says nothing of the body beside it.
                $count += $body === 0 ? 0 : 1;
                $sum += $body === 0 ? 0 : $isOpen[$x];
                $sums[] = $sum;
                $counts[] = $count;
            }
            for ($x = 0; $x < $width; $x++, $at++) {
                $from = max(0, $x - $reach);
                $to = min($width, $x + $reach + 1);
                $bodyPixels = $counts[$to] - $counts[$from];
                $part = $bodyPixels === 0 ? 0.0 : ($sums[$to] - $sums[$from]) / $bodyPixels;
                $facing .= chr((int) round(127.5 + (ord($up[$at]) - 127.5) * $part));
            }
        }

        return $facing;
    }
}
