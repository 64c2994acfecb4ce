<?php

declare(strict_types=1);

namespace Awning\Core\Grade;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\ColourBalance;
use Awning\Core\Colour\LinearRgb;
use Awning\Core\Colour\Oklab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Raster\Histogram;
use Awning\Core\Raster\Paint;

/**
 * What is measured of a picture: how light its pixels are, and the mean colour of its darks, its middle and its lights.
 * Transparent pixels do not count.
 */
final readonly class PictureTones
{
    /** Pixels that are looked at, about; spread evenly. */
    private const LOOKS = 20_000;

    private const SEEN_FROM = 128;

    /**
     * @param  non-empty-list<array{float, float, float}>  $pixels  red, green, blue as sRGB codes them, 0..1
     */
    private function __construct(private array $pixels)
    {
    }

    /** @return ?self null: nothing in the picture is opaque */
    public static function of(Paint $picture): ?self
    {
        $step = (int) max(1, floor(sqrt($picture->width * $picture->height / self::LOOKS)));
        $pixels = [];
        for ($y = intdiv($step, 2); $y < $picture->height; $y += $step) {
            for ($x = intdiv($step, 2); $x < $picture->width; $x += $step) {
                $at = $y * $picture->width + $x;
                if (ord($picture->alpha[$at]) >= self::SEEN_FROM) {
                    $pixels[] = [
                        ord($picture->red[$at]) / 255,
                        ord($picture->green[$at]) / 255,
                        ord($picture->blue[$at]) / 255,
                    ];
                }
            }
        }

        return $pixels === [] ? null : new self($pixels);
    }

    public function through(Alteration ...$alterations): self
    {
        $pixels = $this->pixels;
        foreach ($alterations as $alteration) {
            $pixels = array_map($alteration->of(...), $pixels);
        }

        return new self($pixels);
    }

    /**
     * The lightness that a share of the pixels does not exceed.
     *
     * @param  list<float>  $shares  0..1
     * @return list<float> relative luminance as sRGB codes it, 0..1
     */
    public function lightnessAt(array $shares): array
    {
        $counts = array_fill(0, 256, 0);
        foreach ($this->pixels as $pixel) {
            $counts[(int) round(255 * self::luma($pixel))]++;
        }

        return array_map(fn (float $share): float => Histogram::quantile($counts, $share) / 255, $shares);
    }

    /**
     * The mean colour of darks, middle and lights: pixels count by the Bernstein polynomials of the second degree of
     * their lightness, as they do for a balance.
     *
     * @return array{Band, Band, Band}
     */
    public function bands(): array
    {
        $sums = array_fill(0, 3, [0.0, 0.0, 0.0, 0.0]);
        foreach ($this->pixels as $pixel) {
            $colour = Oklab::of(Rgb::fromUnit(...$pixel));
            $light = max(0.0, min(1.0, self::luma($pixel)));
            foreach (ColourBalance::weights($light) as $band => $weight) {
                $sums[$band][0] += $weight;
                $sums[$band][1] += $weight * $colour->l;
                $sums[$band][2] += $weight * $colour->a;
                $sums[$band][3] += $weight * $colour->b;
            }
        }
        $all = count($this->pixels);
        $band = fn (int $i): Band => new Band(
            $sums[$i][0] / $all,
            $sums[$i][0] > 0
                ? new Oklab($sums[$i][1] / $sums[$i][0], $sums[$i][2] / $sums[$i][0], $sums[$i][3] / $sums[$i][0])
                : new Oklab(0.5 * $i, 0, 0),
        );

        return [$band(0), $band(1), $band(2)];
    }

    /** @param  array{float, float, float}  $pixel */
    private static function luma(array $pixel): float
    {
        [$red, $green, $blue] = array_map(LinearRgb::decode(...), $pixel);

        return LinearRgb::encode(0.2126 * $red + 0.7152 * $green + 0.0722 * $blue);
    }
}
