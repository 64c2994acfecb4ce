<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * CIE 1976 L*a*b* under D50, as CIE 15 defines it; sRGB is brought from D65 to D50 by the Bradford transform.
 * L is 0..100.
 */
final readonly class Lab
{
    private const EPSILON = 216 / 24389;

    private const KAPPA = 24389 / 27;

    /** D50 white from the chromaticity x 0.3457, y 0.3585. */
    private const WHITE = [0.3457 / 0.3585, 1.0, (1 - 0.3457 - 0.3585) / 0.3585];

    public function __construct(public float $l, public float $a, public float $b)
    {
    }

    public static function of(Rgb $colour): self
    {
        return self::ofLinear(LinearRgb::of($colour));
    }

    public static function ofLinear(LinearRgb $light): self
    {
        [$r, $g, $b] = [$light->red, $light->green, $light->blue];
        // Linear sRGB to XYZ D50, Bradford adapted: the matrix CSS Color 4 gives, from memory, checked against culori.
        $xyz = [
            0.436065742824811 * $r + 0.3851514688337912 * $g + 0.14307845442264197 * $b,
            0.22249319175623702 * $r + 0.7168870538238823 * $g + 0.06061979053616537 * $b,
            0.013923904500943465 * $r + 0.09708128566574634 * $g + 0.7140993584005155 * $b,
        ];
        [$x, $y, $z] = array_map(
            fn (float $value, float $white): float => ($t = $value / $white) > self::EPSILON
                ? $t ** (1 / 3)
                : (self::KAPPA * $t + 16) / 116,
            $xyz,
            self::WHITE,
        );

        return new self(116 * $y - 16, 500 * ($x - $y), 200 * ($y - $z));
    }

    public function toLinear(): LinearRgb
    {
        $fy = ($this->l + 16) / 116;
        $cube = fn (float $f): float => ($c = $f ** 3) > self::EPSILON ? $c : (116 * $f - 16) / self::KAPPA;
        $x = $cube($fy + $this->a / 500) * self::WHITE[0];
        $y = ($this->l > 8 ? $fy ** 3 : $this->l / self::KAPPA) * self::WHITE[1];
        $z = $cube($fy - $this->b / 200) * self::WHITE[2];

        return new LinearRgb(
            3.1341359569958707 * $x - 1.6173863321612538 * $y - 0.4906619460083532 * $z,
            -0.978795502912089 * $x + 1.916254567259524 * $y + 0.03344273116131949 * $z,
            0.07195537988411677 * $x - 0.2289768264158322 * $y + 1.405386058324125 * $z,
        );
    }

    public function toRgb(): Rgb
    {
        return $this->toLinear()->toRgb();
    }
}
