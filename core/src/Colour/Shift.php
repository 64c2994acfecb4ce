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

    /**
     * The same of many pixels, as sRGB codes them, 0..1, without rounding. Oklab's matrices
     * are written out, since a page has millions; the transfer curves are those of LinearRgb.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes  red, green, blue
     * @param  list<array{int, int}>  $stretches  first pixel, pixel after the last
     * @param  callable(array{float, float, float}): array{float, float, float}  $fitted  the same for one colour, which
     *     is asked for what sRGB cannot show
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public function within(array $planes, array $stretches, callable $fitted): array
    {
        [$light, $code] = self::transfer();
        [$red, $green, $blue] = array_map(fn (array $plane): array => $light->ofPlane($plane, $stretches), $planes);
        [$low, $high] = self::slack();
        $added = $this->lightness;
        $turn = deg2rad($this->hue);
        [$straight, $across] = [$this->chroma * cos($turn), $this->chroma * sin($turn)];
        $unshown = [];
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $r = $red[$i];
                $g = $green[$i];
                $b = $blue[$i];
                $l = (0.4122214708 * $r + 0.5363325363 * $g + 0.0514459929 * $b) ** (1 / 3);
                $m = (0.2119034982 * $r + 0.6806995451 * $g + 0.1073969566 * $b) ** (1 / 3);
                $s = (0.0883024619 * $r + 0.2817188376 * $g + 0.6299787005 * $b) ** (1 / 3);
                $lightness = 0.2104542553 * $l + 0.793617785 * $m - 0.0040720468 * $s + $added;
                $lightness = $lightness < 0 ? 0.0 : ($lightness > 1 ? 1.0 : $lightness);
                $p = 1.9779984951 * $l - 2.428592205 * $m + 0.4505937099 * $s;
                $q = 0.0259040371 * $l + 0.7827717662 * $m - 0.808675766 * $s;
                $a = $straight * $p - $across * $q;
                $q = $across * $p + $straight * $q;

                $l = $lightness + 0.3963377774 * $a + 0.2158037573 * $q;
                $m = $lightness - 0.1055613458 * $a - 0.0638541728 * $q;
                $s = $lightness - 0.0894841775 * $a - 1.291485548 * $q;
                $l = $l * $l * $l;
                $m = $m * $m * $m;
                $s = $s * $s * $s;
                $r = 4.0767416621 * $l - 3.3077115913 * $m + 0.2309699292 * $s;
                $g = -1.2684380046 * $l + 2.6097574011 * $m - 0.3413193965 * $s;
                $b = -0.0041960863 * $l - 0.7034186147 * $m + 1.707614701 * $s;
                if ($r < $low || $g < $low || $b < $low || $r > $high || $g > $high || $b > $high) {
                    $unshown[] = $i;
                }
                $red[$i] = $r < 0 ? 0.0 : ($r > 1 ? 1.0 : $r);
                $green[$i] = $g < 0 ? 0.0 : ($g > 1 ? 1.0 : $g);
                $blue[$i] = $b < 0 ? 0.0 : ($b > 1 ? 1.0 : $b);
            }
        }
        $shifted = [
            $code->ofPlane($red, $stretches),
            $code->ofPlane($green, $stretches),
            $code->ofPlane($blue, $stretches),
        ];
        foreach ($unshown as $i) {
            [$shifted[0][$i], $shifted[1][$i], $shifted[2][$i]] = $fitted([
                $planes[0][$i],
                $planes[1][$i],
                $planes[2][$i],
            ]);
        }

        return $shifted;
    }

    /** @return array{FineTable, FineTable} from sRGB's code to light, and back */
    private static function transfer(): array
    {
        /** @var ?array{FineTable, FineTable} $tables */
        static $tables = null;

        return $tables ??= [
            FineTable::of(LinearRgb::decode(...)) ?? throw new \LogicException('The transfer curve is smooth.'),
            FineTable::of(LinearRgb::encode(...)) ?? throw new \LogicException('The transfer curve is smooth.'),
        ];
    }

    /** @return array{float, float} light that sRGB can still show, within half a step of 8 bits, as in LinearRgb */
    private static function slack(): array
    {
        return [LinearRgb::decode(-0.5 / 255), LinearRgb::decode(1 + 0.5 / 255)];
    }
}
