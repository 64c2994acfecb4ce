<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Shifts lightness, chroma and hue as Shift does; only of some hues or of some lightness, where it is told so. It is
 * worked out of colours as 8 bits hold them: each is looked up once.
 */
final class RangedShift implements Alteration
{
    use PixelByPixel {
        within as private eachWithin;
    }

    /** Chroma from which on a colour has a hue. */
    private const GREY = 0.02;

    /** So many colours are kept. */
    private const MOST = 1 << 17;

    /** @var array<int, array{float, float, float}> */
    private array $known = [];

    /**
     * @param  ?SoftRange  $hues  degrees
     * @param  ?SoftRange  $tones  lightness in Oklab, 0..1
     */
    public function __construct(
        private readonly Shift $shift,
        private readonly ?SoftRange $hues = null,
        private readonly ?SoftRange $tones = null,
    ) {
    }

    public function of(array $colour): array
    {
        [$red, $green, $blue] = $colour;
        $key = ((int) (255 * $red + 0.5) << 16) | ((int) (255 * $green + 0.5) << 8) | (int) (255 * $blue + 0.5);
        if (! isset($this->known[$key])) {
            if (count($this->known) >= self::MOST) {
                $this->known = [];
            }
            $this->known[$key] = $this->shifted(Rgb::fromNumber($key));
        }

        // What 8 bits leave out of a colour is left out of nothing: it is added as it is.
        $known = $this->known[$key];

        return [
            max(0.0, min(1.0, $known[0] + $red - ($key >> 16) / 255)),
            max(0.0, min(1.0, $known[1] + $green - (($key >> 8) & 255) / 255)),
            max(0.0, min(1.0, $known[2] + $blue - ($key & 255) / 255)),
        ];
    }

    public function within(array $planes, array $stretches): array
    {
        return $this->hues === null && $this->tones === null
            ? $this->shift->within($planes, $stretches, $this->of(...))
            : $this->eachWithin($planes, $stretches);
    }

    public function tables(): null
    {
        return null;
    }

    /** @return array{float, float, float} */
    private function shifted(Rgb $colour): array
    {
        $weight = $this->weight($colour);
        $was = $colour->unit();
        if ($weight <= 0) {
            return $was;
        }
        $is = $this->shift->of($colour)->unit();

        return [
            $was[0] + ($is[0] - $was[0]) * $weight,
            $was[1] + ($is[1] - $was[1]) * $weight,
            $was[2] + ($is[2] - $was[2]) * $weight,
        ];
    }

    private function weight(Rgb $colour): float
    {
        if ($this->hues === null && $this->tones === null) {
            return 1.0;
        }
        $lab = Oklab::of($colour);
        $weight = $this->tones?->at($lab->l) ?? 1.0;
        if ($this->hues === null) {
            return $weight;
        }
        $hue = fmod(rad2deg(atan2($lab->b, $lab->a)) + 360, 360);

        return $weight * $this->hues->atDegrees($hue) * min(1.0, hypot($lab->a, $lab->b) / self::GREY);
    }
}
