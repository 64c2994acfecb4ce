<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Page\Data;

/**
 * What can be set of a rough light.
 *
 * @phpstan-type RoughDialsData array{folds: float, soft: float, reach: float, cast: float, rim: float, lines: float, glow: float}
 */
final readonly class RoughDials
{
    /** Least and most of each. */
    public const RANGES = ['folds' => [0.0, 1.0], 'soft' => [0.0, 1.0], 'reach' => [-0.8, 0.8], 'cast' => [0.0, 600.0], 'rim' => [0.0, 60.0], 'lines' => [0.0, 1.0], 'glow' => [0.0, 800.0]];

    /**
     * @param  float  $folds  how much lines inside a material part it into bodies: 0, it is one; 1, each region is one
     * @param  float  $soft  how soft the edge of a shade is: 0 hard; 1, it takes half of the body
     * @param  float  $reach  the cosine at which shade ends; 0 where the light grazes, more: it reaches into the light
     * @param  float  $cast  how long the shadows are that nearer things throw, px
     * @param  float  $rim  how wide a rim is, px
     * @param  float  $lines  how much lines give way to the light tone where light falls on them
     * @param  float  $glow  how far what shines glows, px
     *
     * @throws \RangeException
     */
    public function __construct(public float $folds = 1.0, public float $soft = 0.12, public float $reach = 0.0, public float $cast = 0.0, public float $rim = 6.0, public float $lines = 0.0, public float $glow = 160.0)
    {
        foreach (self::RANGES as $name => [$least, $most]) {
            if (! ($this->{$name} >= $least && $this->{$name} <= $most)) {
                throw new \RangeException("A rough light's $name runs from $least to $most.");
            }
        }
    }

    /** The same on a page so many times smaller: what is told in pixels shrinks. */
    public function smaller(int $by): self
    {
        return new self($this->folds, $this->soft, $this->reach, $this->cast / $by, $this->rim / $by, $this->lines, $this->glow / $by);
    }

    public static function fromData(Data $data): self
    {
        $values = [];
        $usual = (new self)->toData();
        foreach (self::RANGES as $name => [$least, $most]) {
            $values[] = $data->number($name, $least, $most, $usual[$name]);
        }

        return new self(...$values);
    }

    /** @return RoughDialsData */
    public function toData(): array
    {
        return ['folds' => $this->folds, 'soft' => $this->soft, 'reach' => $this->reach, 'cast' => $this->cast, 'rim' => $this->rim, 'lines' => $this->lines, 'glow' => $this->glow];
    }
}
