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
     * The same of many pixels, as sRGB codes them, 0..1, without rounding. It is written out, since a page has
     * millions: Oklab's matrices and transfer curves as in Oklab and LinearRgb.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes  red, green, blue
     * @param  list<array{int, int}>  $stretches  first pixel, pixel after the last
     * @param  callable(array{float, float, float}): array{float, float, float}  $fitted  the same for one colour, which
     *     is asked for what sRGB cannot show
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    public function within(array $planes, array $stretches, callable $fitted): array
    {
        [$red, $green, $blue] = $planes;
        [$light, $code] = self::transfer();
        [$lights, $darkLights] = [$light->all, $light->beginning];
        [$codes, $darkCodes] = [$code->all, $code->beginning];
        [$cells, $fine] = [FineTable::CELLS, FineTable::CELLS / FineTable::BEGINNING];
        [$low, $high] = self::slack();
        $added = $this->lightness;
        $turn = deg2rad($this->hue);
        [$straight, $across] = [$this->chroma * cos($turn), $this->chroma * sin($turn)];
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $r = $red[$i];
                $g = $green[$i];
                $b = $blue[$i];
                $at = $r < FineTable::BEGINNING ? $r * $fine : $r * $cells;
                $k = (int) $at;
                $r = $r < FineTable::BEGINNING
                    ? $darkLights[$k] + ($at - $k) * ($darkLights[$k + 1] - $darkLights[$k])
                    : $lights[$k] + ($at - $k) * ($lights[$k + 1] - $lights[$k]);
                $at = $g < FineTable::BEGINNING ? $g * $fine : $g * $cells;
                $k = (int) $at;
                $g = $g < FineTable::BEGINNING
                    ? $darkLights[$k] + ($at - $k) * ($darkLights[$k + 1] - $darkLights[$k])
                    : $lights[$k] + ($at - $k) * ($lights[$k + 1] - $lights[$k]);
                $at = $b < FineTable::BEGINNING ? $b * $fine : $b * $cells;
                $k = (int) $at;
                $b = $b < FineTable::BEGINNING
                    ? $darkLights[$k] + ($at - $k) * ($darkLights[$k + 1] - $darkLights[$k])
                    : $lights[$k] + ($at - $k) * ($lights[$k + 1] - $lights[$k]);

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
                    [$red[$i], $green[$i], $blue[$i]] = $fitted([$red[$i], $green[$i], $blue[$i]]);

                    continue;
                }
                $r = $r < 0 ? 0.0 : ($r > 1 ? 1.0 : $r);
                $at = $r < FineTable::BEGINNING ? $r * $fine : $r * $cells;
                $k = (int) $at;
                $red[$i] = $r < FineTable::BEGINNING
                    ? $darkCodes[$k] + ($at - $k) * ($darkCodes[$k + 1] - $darkCodes[$k])
                    : $codes[$k] + ($at - $k) * ($codes[$k + 1] - $codes[$k]);
                $g = $g < 0 ? 0.0 : ($g > 1 ? 1.0 : $g);
                $at = $g < FineTable::BEGINNING ? $g * $fine : $g * $cells;
                $k = (int) $at;
                $green[$i] = $g < FineTable::BEGINNING
                    ? $darkCodes[$k] + ($at - $k) * ($darkCodes[$k + 1] - $darkCodes[$k])
                    : $codes[$k] + ($at - $k) * ($codes[$k + 1] - $codes[$k]);
                $b = $b < 0 ? 0.0 : ($b > 1 ? 1.0 : $b);
                $at = $b < FineTable::BEGINNING ? $b * $fine : $b * $cells;
                $k = (int) $at;
                $blue[$i] = $b < FineTable::BEGINNING
                    ? $darkCodes[$k] + ($at - $k) * ($darkCodes[$k + 1] - $darkCodes[$k])
                    : $codes[$k] + ($at - $k) * ($codes[$k + 1] - $codes[$k]);
            }
        }

        return [$red, $green, $blue];
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
