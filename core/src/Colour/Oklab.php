<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** Björn Ottosson's Oklab (2020), matrices as published there; l is 0..1. */
final readonly class Oklab
{
    public function __construct(public float $l, public float $a, public float $b)
    {
    }

    public static function of(Rgb $colour): self
    {
        $light = LinearRgb::of($colour);
        [$r, $g, $b] = [$light->red, $light->green, $light->blue];
        $l = (0.4122214708 * $r + 0.5363325363 * $g + 0.0514459929 * $b) ** (1 / 3);
        $m = (0.2119034982 * $r + 0.6806995451 * $g + 0.1073969566 * $b) ** (1 / 3);
        $s = (0.0883024619 * $r + 0.2817188376 * $g + 0.6299787005 * $b) ** (1 / 3);

        return new self(
            0.2104542553 * $l + 0.793617785 * $m - 0.0040720468 * $s,
            1.9779984951 * $l - 2.428592205 * $m + 0.4505937099 * $s,
            0.0259040371 * $l + 0.7827717662 * $m - 0.808675766 * $s,
        );
    }

    /**
     * The mean of some colours, as sRGB can show it.
     *
     * @param  list<array{Rgb, float|int}>  $weighted  each with how much it counts, above 0
     * @return ?Rgb null: there are none
     */
    public static function mean(array $weighted): ?Rgb
    {
        $l = $a = $b = $sum = 0.0;
        foreach ($weighted as [$colour, $weight]) {
            $lab = self::of($colour);
            $l += $weight * $lab->l;
            $a += $weight * $lab->a;
            $b += $weight * $lab->b;
            $sum += $weight;
        }

        return $sum > 0 ? (new self($l / $sum, $a / $sum, $b / $sum))->fitted() : null;
    }

    public function toLinear(): LinearRgb
    {
        $l = ($this->l + 0.3963377774 * $this->a + 0.2158037573 * $this->b) ** 3;
        $m = ($this->l - 0.1055613458 * $this->a - 0.0638541728 * $this->b) ** 3;
        $s = ($this->l - 0.0894841775 * $this->a - 1.291485548 * $this->b) ** 3;

        return new LinearRgb(
            4.0767416621 * $l - 3.3077115913 * $m + 0.2309699292 * $s,
            -1.2684380046 * $l + 2.6097574011 * $m - 0.3413193965 * $s,
            -0.0041960863 * $l - 0.7034186147 * $m + 1.707614701 * $s,
        );
    }

    /** The colour of the same lightness and hue that sRGB can show: chroma is lowered until it fits. */
    public function fitted(): Rgb
    {
        return Gamut::fitted(
            fn (float $share): LinearRgb => (new self($this->l, $share * $this->a, $share * $this->b))->toLinear(),
        );
    }

    public function toRgb(): Rgb
    {
        return $this->toLinear()->toRgb();
    }
}
