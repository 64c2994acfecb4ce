<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\ColourSight;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Tone;

/**
 * Something about a ramp that may be meant, or not; with a colour that would mend it.
 *
 * @phpstan-type AdviceData array{kind: value-of<AdviceKind>, tone: value-of<Tone>, amount: float, other: ?int,
 *     sight: ?value-of<ColourSight>, mend: ?string, release: bool}
 */
final readonly class Advice
{
    /**
     * @param  Tone  $tone  the one it is about
     * @param  float  $amount  a difference (CIEDE2000), a lightness (L*), a chroma (OKLCh), or how many times larger a
     *     step is
     * @param  ?int  $other  the material it is too near to
     * @param  ?ColourSight  $sight  for which eyes
     * @param  ?Rgb  $mend  the colour that would do; null: derived would
     */
    public function __construct(
        public AdviceKind $kind,
        public Tone $tone,
        public float $amount,
        public ?int $other = null,
        public ?ColourSight $sight = null,
        public ?Rgb $mend = null,
    ) {
    }

    /** @return AdviceData */
    public function toData(): array
    {
        return [
            'kind' => $this->kind->value,
            'tone' => $this->tone->value,
            'amount' => round($this->amount, 2),
            'other' => $this->other,
            'sight' => $this->sight?->value,
            'mend' => $this->mend?->hex(),
            'release' => $this->mend === null && $this->tone !== Tone::Base,
        ];
    }
}
