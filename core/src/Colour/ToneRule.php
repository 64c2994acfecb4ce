<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Derives the tones nobody has pinned from a material's base and the colour of the light.
 *
 * With the base at lightness L and chroma vector v in Oklab, w a vector of chroma 0.1 in the hue that shades turn to,
 * and (L°, v°) the light's colour:
 *
 *     shade   L * shade                     (1 - turn) * chroma * v + turn * w
 *     deep    the same from the shade, its lightness times `deep`
 *     light   L + (L° - L) * light          (1 - pull) * v + pull * v°      never darker than the base
 *     glint   the same from the light, by `glint`
 *     line    L * 0.38                      0.6 * v
 *
 * What sRGB cannot show loses chroma until it can, never a channel; where rounding to eight bits would turn the order
 * of two tones round, both are one. That shadows turn to the hue opposite to the light's, and to blue under open sky
 * and at night, is common practice; the form of the formula and its numbers are our choice.
 */
final readonly class ToneRule
{
    /** Chroma of what shades turn to: that of a plain dyed cloth. */
    private const TINT = 0.1;

    /** Hue of a clear sky in Oklab, degrees: our choice. */
    private const SKY = 258.0;

    /** No light lifts a tone beyond this lightness: white is paper. */
    private const LIGHTEST = 0.985;

    private const LINE_LIGHTNESS = 0.38;

    private const LINE_CHROMA = 0.6;

    public function __construct(
        private Rgb $light = new Rgb(0xFF, 0xF1, 0xD6),
        private Derivation $dials = new Derivation,
    ) {
    }

    /** The rule under the same light with dials of a material's own. */
    public function by(Derivation $dials): self
    {
        return new self($this->light, $dials);
    }

    /** The same dials under another light. */
    public function under(Rgb $light): self
    {
        return new self($light, $this->dials);
    }

    public function dials(): Derivation
    {
        return $this->dials;
    }

    public function derive(Tone $tone, Rgb $base): Rgb
    {
        return match ($tone) {
            Tone::Base => $base,
            Tone::Shade => $this->darker($base, $this->dials->shade),
            Tone::Deep => $this->darker($this->derive(Tone::Shade, $base), $this->dials->deep),
            Tone::Light => $this->lighter($base, $this->dials->light),
            Tone::Glint => $this->lighter($this->derive(Tone::Light, $base), $this->dials->glint),
            Tone::Line => $this->line($base),
            default => throw new \InvalidArgumentException(
                'Tones that somebody has named are pinned, and never derived.',
            ),
        };
    }

    /**
     * @param  array<value-of<Tone>, Rgb>  $pinned  by tone name; base must be among them
     * @return array<value-of<Tone>, Rgb> all six tones, dark to light, then line, then what is pinned beside them
     */
    public function complete(array $pinned): array
    {
        $base =
            $pinned[Tone::Base->value] ??
            throw new \InvalidArgumentException('A material needs a base colour before its tones can be derived.');
        $tones = [];
        foreach (Tone::six() as $tone) {
            $tones[$tone->value] = $pinned[$tone->value] ?? $this->derive($tone, $base);
        }
        foreach (Tone::more() as $tone) {
            if (isset($pinned[$tone->value])) {
                $tones[$tone->value] = $pinned[$tone->value];
            }
        }

        return $tones;
    }

    private function darker(Rgb $from, float $kept): Rgb
    {
        $lab = Oklab::of($from);
        $hue = deg2rad($this->dials->toward === ShadeHue::Blue ? self::SKY : Oklch::of($this->light)->h + 180);
        $keep = (1 - $this->dials->turn) * $this->dials->chroma;
        $tint = $this->dials->turn * self::TINT;
        $shade = (new Oklab(
            $lab->l * $kept,
            $keep * $lab->a + $tint * cos($hue),
            $keep * $lab->b + $tint * sin($hue),
        ))->fitted();

        return Oklab::of($shade)->l <= $lab->l ? $shade : $from;
    }

    private function lighter(Rgb $from, float $way): Rgb
    {
        $lab = Oklab::of($from);
        $light = Oklab::of($this->light);
        $pull = $this->dials->pull;
        $lightness = max($lab->l, $lab->l + (min(self::LIGHTEST, $light->l) - $lab->l) * $way);
        $lit = (new Oklab(
            $lightness,
            (1 - $pull) * $lab->a + $pull * $light->a,
            (1 - $pull) * $lab->b + $pull * $light->b,
        ))->fitted();

        return Oklab::of($lit)->l >= $lab->l ? $lit : $from;
    }

    private function line(Rgb $base): Rgb
    {
        $lab = Oklab::of($base);

        return (new Oklab(
            $lab->l * self::LINE_LIGHTNESS,
            $lab->a * self::LINE_CHROMA,
            $lab->b * self::LINE_CHROMA,
        ))->fitted();
    }
}
