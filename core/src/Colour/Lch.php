<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** L*a*b* in polar form: lightness 0..100, chroma, hue in degrees 0..360. */
final readonly class Lch
{
    public function __construct(public float $l, public float $c, public float $h)
    {
    }

    public static function of(Rgb $colour): self
    {
        $lab = Lab::of($colour);
        $hue = rad2deg(atan2($lab->b, $lab->a));

        return new self($lab->l, hypot($lab->a, $lab->b), $hue < 0 ? $hue + 360 : $hue);
    }

    public function toLab(): Lab
    {
        return new Lab($this->l, $this->c * cos(deg2rad($this->h)), $this->c * sin(deg2rad($this->h)));
    }

    /** The nearest colour of the same lightness and hue that sRGB can show: chroma is lowered until it fits. */
    public function toRgb(): Rgb
    {
        return Gamut::fitted(
            fn (float $share): LinearRgb => (new self($this->l, $share * $this->c, $this->h))->toLab()->toLinear(),
        );
    }
}
