<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Derives the tones nobody has pinned from a material's base and the colour of the light.
 *
 * Shade: the base multiplied, at 35 %, by a colour of the hue opposite to the light's. Deep: the same once more,
 * stronger. Light: lighter and slightly toward the light's hue; glint: the same further. Line: a dark version of the
 * base. That shadows turn to the opposite hue, and 30 to 40 % of multiply, are common practice; lightness and chroma
 * of the shadow colour and the steps of the lights are our choice.
 */
final readonly class ToneRule
{
    public const SHADE_STRENGTH = 0.35;

    private const DEEP_STRENGTH = 0.55;

    public function __construct(private Rgb $light = new Rgb(0xFF, 0xF1, 0xD6))
    {
    }

    public function derive(Tone $tone, Rgb $base): Rgb
    {
        return match ($tone) {
            Tone::Base => $base,
            Tone::Shade => $this->multiplied($base, self::SHADE_STRENGTH),
            Tone::Deep => $this->multiplied($this->multiplied($base, self::SHADE_STRENGTH), self::DEEP_STRENGTH),
            Tone::Light => $this->lifted($base, 0.30, 0.15),
            Tone::Glint => $this->lifted($base, 0.68, 0.35),
            Tone::Line => $this->darkened($base),
        };
    }

    /**
     * @param  array<string, Rgb>  $pinned  by tone name; base must be among them
     * @return array<string, Rgb> all six tones, dark to light, then line
     */
    public function complete(array $pinned): array
    {
        $base = $pinned[Tone::Base->value] ?? throw new \InvalidArgumentException('A material needs a base colour before its tones can be derived.');
        $tones = [];
        foreach (Tone::cases() as $tone) {
            $tones[$tone->value] = $pinned[$tone->value] ?? $this->derive($tone, $base);
        }

        return $tones;
    }

    /** The colour shadows are multiplied by: the light's opposite hue, dark enough to tell, never grey. */
    public function shadow(): Rgb
    {
        $light = Lch::of($this->light);

        return (new Lch(38, max(30.0, $light->c), fmod($light->h + 180, 360)))->toRgb();
    }

    private function multiplied(Rgb $base, float $strength): Rgb
    {
        $parts = array_map(
            fn (float $part, float $shadow): float => $part * (1 - $strength + $strength * $shadow),
            $base->unit(), $this->shadow()->unit(),
        );

        return Rgb::fromUnit(...$parts);
    }

    private function lifted(Rgb $base, float $lift, float $pull): Rgb
    {
        $from = Lab::of($base);
        $light = Lab::of($this->light);
        $l = $from->l + (min(98.0, $light->l) - $from->l) * $lift;

        return (new Lab(max($l, $from->l), $from->a + ($light->a - $from->a) * $pull, $from->b + ($light->b - $from->b) * $pull))->toRgb();
    }

    private function darkened(Rgb $base): Rgb
    {
        $from = Lch::of($base);

        return (new Lch($from->l * 0.28, $from->c * 0.6, $from->h))->toRgb();
    }
}
