<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Compose\Blend\Painting;
use Awning\Core\Compose\Blend\Tinting;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Raster\Bytes;

/**
 * An opaque picture in whole numbers of 0..255: right to half a step for each layer that is laid, and fast. Isolated
 * groups, and modes and alterations that need all three channels at once, are left out: whoever uses this canvas
 * composes the pixels they touch on an exact one.
 */
final class FastCanvas implements Canvas
{
    public function __construct(
        private Pixels $pixels,
        private readonly Tinting $tinting = new Tinting,
        private readonly Painting $painting = new Painting,
    ) {
    }

    public function pixels(): Pixels
    {
        return $this->pixels;
    }

    public function cover(array $spans): void
    {
        $this->pixels = $this->tinting->cover($this->pixels, $spans);
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        if ($mode->isSeparable()) {
            $this->pixels = $this->tinting->lay($this->pixels, $spans, $coverage, $mode, $opacity);
        }
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        if ($mode->isSeparable()) {
            $this->pixels = $this->painting->over($this->pixels, $source, $mode, $opacity);
        }
    }

    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void
    {
        $tables = $alteration->tables();
        if ($tables === null || ! $mode->isSeparable() || $mode === BlendMode::PlusLighter) {
            return;
        }
        [$red, $green, $blue] = array_map(
            fn (string $plane, string $table): string => strtr($plane, Bytes::identity(), $table),
            [$this->pixels->red, $this->pixels->green, $this->pixels->blue],
            $tables,
        );
        $this->paint(new Pixels($this->pixels->count, $red, $green, $blue, $coverage), $mode, $opacity);
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        if ($isolated) {
            return;
        }
        $before = $this->pixels;
        $layers($this);
        if ($opacity < 1) {
            $this->pixels = $this->painting->over($before, $this->pixels, BlendMode::Normal, $opacity);
        }
    }

    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void
    {
        $inside = new self(Pixels::solid($this->pixels->count, $colour), $this->tinting, $this->painting);
        $layers($inside);
        $colours = $inside->pixels;
        $this->paint(new Pixels($colours->count, $colours->red, $colours->green, $colours->blue, $mask), $mode, 1.0);
    }
}
