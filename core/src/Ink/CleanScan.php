<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Plane;

/** A cleaned drawing, and what was found in it. */
final readonly class CleanScan
{
    /**
     * @param  Plane  $darkness  before levels, as it lies: so that levels can be moved again
     * @param  Plane  $ink  coverage, 255 where it is full
     * @param  ?float  $askew  degrees clockwise by which it was found to lie askew; null: nothing to tell by
     * @param  float  $turned  degrees clockwise by which it was turned
     * @param  int  $specks  islands that were dropped
     * @param  ?PaperEdge  $edge  where the sheet ends that was photographed on a desk
     * @param  InkColours  $colours  which kinds of coloured lines there were, and which stayed
     */
    public function __construct(
        public Plane $darkness,
        public Levels $levels,
        public Plane $ink,
        public ?float $askew = null,
        public float $turned = 0.0,
        public int $specks = 0,
        public ?PaperEdge $edge = null,
        public InkColours $colours = new InkColours,
    ) {
    }

    /** The part of the page that is inked, 0..1. */
    public function share(): float
    {
        return 1 - substr_count($this->ink->data, "\0") / strlen($this->ink->data);
    }

    /** Next to nothing was found: the page may be faint, or empty. */
    public function isNearlyEmpty(): bool
    {
        return $this->share() < 0.0005;
    }
}
