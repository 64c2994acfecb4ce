<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * The dials of the rule by which tones are derived; a material may have some of its own. See ToneRule for the formula.
 *
 * @phpstan-type DerivationData array{toward: value-of<ShadeHue>, turn: float, shade: float, deep: float, chroma: float,
 *     light: float, glint: float, pull: float}
 * @phpstan-type DerivationPart array{toward?: value-of<ShadeHue>, turn?: float, shade?: float, deep?: float,
 *     chroma?: float, light?: float, glint?: float, pull?: float}
 */
final readonly class Derivation
{
    /** Least and most of each dial. */
    public const RANGES = [
        'turn' => [0.0, 0.8],
        'shade' => [0.3, 1.0],
        'deep' => [0.3, 1.0],
        'chroma' => [0.0, 2.0],
        'light' => [0.0, 1.0],
        'glint' => [0.0, 1.0],
        'pull' => [0.0, 0.5],
    ];

    /**
     * @param  float  $turn  how far shades go toward their hue, 0..0.8
     * @param  float  $shade  part of the base's lightness that the shade keeps, 0.3..1
     * @param  float  $deep  part of the shade's lightness that the deep shade keeps, 0.3..1
     * @param  float  $chroma  times the chroma at each step down, 0..2
     * @param  float  $light  how far the light is on the way from the base to the lightest, 0..1
     * @param  float  $glint  the same of the glint, counted from the light
     * @param  float  $pull  how far lights go toward the light's colour at each step up, 0..0.5
     */
    public function __construct(
        public ShadeHue $toward = ShadeHue::Opposite,
        public float $turn = 0.2,
        public float $shade = 0.82,
        public float $deep = 0.72,
        public float $chroma = 1.05,
        public float $light = 0.3,
        public float $glint = 0.54,
        public float $pull = 0.15,
    ) {
        $dials = [
            'turn' => $turn,
            'shade' => $shade,
            'deep' => $deep,
            'chroma' => $chroma,
            'light' => $light,
            'glint' => $glint,
            'pull' => $pull,
        ];
        foreach (self::RANGES as $name => [$least, $most]) {
            if (! ($dials[$name] >= $least && $dials[$name] <= $most)) {
                throw new \RangeException("'$name' of the rule for derived tones runs from $least to $most.");
            }
        }
    }

    /** @return DerivationData */
    public function toData(): array
    {
        return [
            'toward' => $this->toward->value,
            'turn' => $this->turn,
            'shade' => $this->shade,
            'deep' => $this->deep,
            'chroma' => $this->chroma,
            'light' => $this->light,
            'glint' => $this->glint,
            'pull' => $this->pull,
        ];
    }

    /**
     * The rule with some dials set otherwise.
     *
     * @param  DerivationPart  $part
     *
     * @throws \RangeException
     */
    public function with(array $part): self
    {
        $all = $part + $this->toData();

        return new self(
            toward: ShadeHue::from($all['toward']),
            turn: (float) $all['turn'],
            shade: (float) $all['shade'],
            deep: (float) $all['deep'],
            chroma: (float) $all['chroma'],
            light: (float) $all['light'],
            glint: (float) $all['glint'],
            pull: (float) $all['pull'],
        );
    }
}
