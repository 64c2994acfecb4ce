<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Page\Pass\BlendMode;

/**
 * What layers are laid on. Layers say what they lay; a canvas decides how exactly, or only looks at what would be laid.
 *
 * Spans are lists of [first pixel, pixel after the last, colour as 0xRRGGBB], in order and apart. Opacities are 0..1.
 */
interface Canvas
{
    /**
     * Plain colours, full and normal: flats.
     *
     * @param  list<array{int, int, int}>  $spans
     */
    public function cover(array $spans): void;

    /**
     * Plain colours through a coverage of one byte a pixel.
     *
     * @param  list<array{int, int, int}>  $spans
     */
    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void;

    /** Pixels with colours and alpha of their own. */
    public function paint(Pixels $source, BlendMode $mode, float $opacity): void;

    /**
     * What lies beneath, altered, through a coverage of one byte a pixel: the altered colours are blended with those
     * they come from. Where nothing lies beneath, nothing is laid.
     */
    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void;

    /**
     * Layers taken as one. Isolated, they begin on nothing and their result is blended; otherwise they begin on what is
     * there, and the opacity fades what they did.
     *
     * @param  callable(Canvas): void  $layers
     */
    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void;

    /**
     * One colour, altered by layers of its own, through a mask: ink and its holds.
     *
     * @param  int  $colour  0xRRGGBB
     * @param  callable(Canvas): void  $layers
     * @param  BlendMode  $mode  how the result blends with what is there
     */
    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void;
}
