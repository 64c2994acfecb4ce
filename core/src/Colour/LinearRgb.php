<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** Light in the sRGB primaries before the transfer curve, each part nominally 0..1. */
final readonly class LinearRgb
{
    public function __construct(public float $red, public float $green, public float $blue)
    {
    }

    public static function of(Rgb $colour): self
    {
        return new self(...array_map(self::decode(...), $colour->unit()));
    }

    /** @param  array{float, float, float}  $parts  of an sRGB colour, 0..255, also between whole numbers */
    public static function ofBytes(array $parts): self
    {
        return new self(self::decode($parts[0] / 255), self::decode($parts[1] / 255), self::decode($parts[2] / 255));
    }

    /** Clipped to the gamut. */
    public function toRgb(): Rgb
    {
        return Rgb::fromUnit(self::encode($this->red), self::encode($this->green), self::encode($this->blue));
    }

    /** @return bool whether sRGB can show it, within half a step of 8 bits */
    public function inGamut(): bool
    {
        $slack = 0.5 / 255;
        foreach ([$this->red, $this->green, $this->blue] as $part) {
            $encoded = self::encode($part);
            if ($encoded < -$slack || $encoded > 1 + $slack) {
                return false;
            }
        }

        return true;
    }

    /** The sRGB transfer curve, IEC 61966-2-1; odd-symmetric below zero. */
    public static function decode(float $value): float
    {
        $size = abs($value);

        return ($value < 0 ? -1 : 1) * ($size <= 0.04045 ? $size / 12.92 : (($size + 0.055) / 1.055) ** 2.4);
    }

    public static function encode(float $value): float
    {
        $size = abs($value);

        return ($value < 0 ? -1 : 1) * ($size <= 0.0031308 ? $size * 12.92 : 1.055 * $size ** (1 / 2.4) - 0.055);
    }
}
