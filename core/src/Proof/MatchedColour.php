<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Verdict;

/**
 * A flat colour of a picture beside the nearest tone of a palette.
 *
 * @phpstan-type MatchedData array{colour: string, share: float, tone: string, deltaE: float,
 *     verdict: value-of<Verdict>, x: int, y: int}
 */
final readonly class MatchedColour
{
    /**
     * @param  float  $share  of the picture's area, 0..1
     * @param  float  $difference  CIEDE2000
     * @param  int  $x  a pixel well inside the largest stretch of it
     */
    public function __construct(
        public Rgb $colour,
        public float $share,
        public NamedColour $tone,
        public float $difference,
        public int $x,
        public int $y,
    ) {
    }

    public function verdict(): Verdict
    {
        return Verdict::of($this->difference);
    }

    /** @return MatchedData */
    public function toData(): array
    {
        return [
            'colour' => $this->colour->hex(),
            'share' => round($this->share, 6),
            'tone' => $this->tone->name,
            'deltaE' => round($this->difference, 2),
            'verdict' => $this->verdict()->value,
            'x' => $this->x,
            'y' => $this->y,
        ];
    }
}
