<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** Oklab in polar form: lightness 0..1, chroma 0..about 0.37 in sRGB, hue in degrees 0..360. */
final readonly class Oklch
{
    public function __construct(public float $l, public float $c, public float $h)
    {
    }

    public static function of(Rgb $colour): self
    {
        return self::ofLab(Oklab::of($colour));
    }

    public static function ofLab(Oklab $lab): self
    {
        $hue = rad2deg(atan2($lab->b, $lab->a));

        return new self($lab->l, hypot($lab->a, $lab->b), $hue < 0 ? $hue + 360 : $hue);
    }

    public function toLab(): Oklab
    {
        return new Oklab($this->l, $this->c * cos(deg2rad($this->h)), $this->c * sin(deg2rad($this->h)));
    }

    /** The colour of the same lightness and hue that sRGB can show: chroma is lowered until it fits. */
    public function toRgb(): Rgb
    {
        return $this->toLab()->fitted();
    }
}
