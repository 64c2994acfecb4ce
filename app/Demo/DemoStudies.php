<?php

declare(strict_types=1);

namespace App\Demo;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Raster\Paint;

/** Small colour studies, painted by formulas, to hang beside the demo's pages. */
final class DemoStudies
{
    private const WIDTH = 640;

    private const HEIGHT = 420;

    /** @return array<string, string> PNG by name */
    public static function all(): array
    {
        return [
            'Harbour at dusk.png' => self::painted(self::dusk(...)),
            'Lamp in the fog.png' => self::painted(self::lamp(...)),
        ];
    }

    /** @param  callable(float, float): array{float, float, float}  $colour  of a place, both 0..1; parts of 0..255 */
    private static function painted(callable $colour): string
    {
        mt_srand(7);
        $planes = ['', '', ''];
        for ($y = 0; $y < self::HEIGHT; $y++) {
            for ($x = 0; $x < self::WIDTH; $x++) {
                $brush = mt_rand(-5, 5);
                foreach ($colour($x / self::WIDTH, $y / self::HEIGHT) as $i => $part) {
                    $planes[$i] .= chr((int) max(0, min(255, $part + $brush)));
                }
            }
        }

        return (new PngWriter)->paint(
            new Paint(
                self::WIDTH,
                self::HEIGHT,
                $planes[0],
                $planes[1],
                $planes[2],
                str_repeat("\xff", self::WIDTH * self::HEIGHT),
            ),
        );
    }

    /**
     * A low sun over the sea, its light broken on the waves.
     *
     * @return array{float, float, float}
     */
    private static function dusk(float $x, float $y): array
    {
        $sun = max(0.0, 1 - hypot(1.5 * ($x - 0.68), $y - 0.36) / 0.3);
        $wave = $y > 0.55 ? 14 * sin(70 * $x + 130 * $y) * ($y - 0.4) : 0.0;
        $path =
            $y > 0.55 ? max(0.0, 1 - abs($x - 0.68) / (0.05 + 0.3 * ($y - 0.5))) * (0.5 + 0.5 * sin(160 * $y)) : 0.0;

        return [
            38 + 145 * (1 - $y) + 190 * $sun + $wave + 120 * $path,
            54 + 84 * (1 - $y) + 140 * $sun + $wave + 80 * $path,
            92 + 56 * (1 - $y) + 40 * $sun + $wave + 20 * $path,
        ];
    }

    /**
     * One lamp on a quay, the fog around it warm.
     *
     * @return array{float, float, float}
     */
    private static function lamp(float $x, float $y): array
    {
        $far = hypot(1.5 * ($x - 0.3), $y - 0.3);
        $glow = exp(-6 * $far) + ($far < 0.05 ? 0.6 : 0.0);
        $quay = $y > 0.78 ? -26.0 : 0.0;
        $post = abs($x - 0.3) < 0.008 && $y > 0.34 && $y < 0.82 ? -60.0 : 0.0;

        return [
            60 + 22 * $y + 190 * $glow + $quay + $post,
            76 + 16 * $y + 140 * $glow + $quay + $post,
            92 + 8 * $y + 62 * $glow + $quay + $post,
        ];
    }
}
