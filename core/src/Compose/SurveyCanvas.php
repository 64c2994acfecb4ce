<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\BlendMode;

/**
 * Lays nothing, and notes where whole numbers of 0..255 would not do: inside isolated groups, and where the modes that
 * lie over each other enlarge rounding errors too much.
 */
final class SurveyCanvas implements Canvas
{
    /** How much rounding errors may grow, all layers of a stretch taken together. */
    private const MOST = 2.0;

    private float $gain = 1.0;

    /** Not zero where something must be exact whatever the gain. */
    private string $always;

    /** Not zero where a layer enlarges errors. */
    private string $enlarged;

    public function __construct(private readonly int $count)
    {
        $this->always = $this->enlarged = str_repeat("\0", $count);
    }

    /** @return ?Areas null when 8 bits are enough everywhere */
    public function exact(): ?Areas
    {
        $areas = Areas::where($this->gain > self::MOST ? $this->always | $this->enlarged : $this->always);

        return $areas->count === 0 ? null : $areas;
    }

    public function cover(array $spans): void
    {
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $gain = 1.0;
        foreach (array_unique(array_column($spans, 2)) as $colour) {
            $gain = max($gain, BlendGain::ofColour($mode, $colour, $opacity));
        }
        if ($gain > 1) {
            $this->note($gain, Pixels::coloured($this->count, $spans, $coverage)->alphas());
        }
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $gain = BlendGain::ofAny($mode, $opacity);
        if ($gain > 1) {
            $this->note($gain, $source->alphas());
        }
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        if (! $isolated) {
            $layers($this);

            return;
        }
        $inside = new FootprintCanvas($this->count);
        $layers($inside);
        $this->gain *= BlendGain::ofAny($mode, $opacity);
        $this->always |= $inside->touched();
    }

    public function through(string $mask, int $colour, callable $layers): void
    {
        $inside = new self($this->count);
        $layers($inside);
        $this->always |= $inside->always & $mask;
        if ($inside->gain > 1) {
            $this->note($inside->gain, $inside->enlarged & $mask);
        }
    }

    private function note(float $gain, string $where): void
    {
        if (strspn($where, "\0") < $this->count) {
            $this->gain *= $gain;
            $this->enlarged |= $where;
        }
    }
}
