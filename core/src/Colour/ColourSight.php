<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * How colours look to eyes that lack one kind of cone: the matrices of Machado, Oliveira and Fernandes, "A
 * Physiologically- based Model for Simulation of Color Vision Deficiency", 2009, severity 1.0, applied to linear sRGB.
 * From memory; the reference tests hold them to culori's.
 */
enum ColourSight: string
{
    case Protan = 'protan';
    case Deutan = 'deutan';
    case Tritan = 'tritan';

    public function of(Rgb $colour): Rgb
    {
        $light = LinearRgb::of($colour);
        $row = fn (float $r, float $g, float $b): float => $r * $light->red + $g * $light->green + $b * $light->blue;

        $seen = match ($this) {
            self::Protan => new LinearRgb(
                $row(0.152286, 1.052583, -0.204868),
                $row(0.114503, 0.786281, 0.099216),
                $row(-0.003882, -0.048116, 1.051998),
            ),
            self::Deutan => new LinearRgb(
                $row(0.367322, 0.860646, -0.227968),
                $row(0.280085, 0.672501, 0.047413),
                $row(-0.01182, 0.04294, 0.968881),
            ),
            self::Tritan => new LinearRgb(
                $row(1.255528, -0.076749, -0.178779),
                $row(-0.078411, 0.930809, 0.147602),
                $row(0.004733, 0.691367, 0.3039),
            ),
        };

        return $seen->toRgb();
    }

    /** How far apart two colours look to such eyes, CIEDE2000. */
    public function difference(Rgb $a, Rgb $b): float
    {
        return Difference::ciede2000(Lab::of($this->of($a)), Lab::of($this->of($b)));
    }
}
