<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Makes a colour lighter or darker, greyer or stronger, and turns its hue: in OKLCh, where these are about what the eye
 * says they are (Ottosson 2020). What sRGB cannot show loses chroma until it can, never a channel.
 */
final readonly class Shift
{
    /**
     * @param  float  $lightness  added, -1..1
     * @param  float  $chroma  times what it was; 1: as it was
     * @param  float  $hue  degrees, counter-clockwise in the plane of a and b
     */
    public function __construct(private float $lightness, private float $chroma, private float $hue)
    {
    }

    public function of(Rgb $colour): Rgb
    {
        $from = Oklab::of($colour);
        $l = max(0.0, min(1.0, $from->l + $this->lightness));
        $turn = deg2rad($this->hue);
        $a = $this->chroma * ($from->a * cos($turn) - $from->b * sin($turn));
        $b = $this->chroma * ($from->a * sin($turn) + $from->b * cos($turn));

        return (new Oklab($l, $a, $b))->fitted();
    }
}
