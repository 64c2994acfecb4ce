<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Two strokes or shapes that are one: where they lie over each other it is no darker. */
final readonly class TwinCoverage implements Coverage
{
    public function __construct(private Coverage $one, private Coverage $other)
    {
    }

    /** @param  ?Coverage  $twin  null: there is no mirror */
    public static function of(Coverage $one, ?Coverage $twin): Coverage
    {
        return $twin === null ? $one : new self($one, $twin);
    }

    public function bounds(): Rect
    {
        return Rect::around([$this->one->bounds(), $this->other->bounds()]);
    }

    public function cut(Rect $rect): ?string
    {
        [$a, $b] = [$this->one->cut($rect), $this->other->cut($rect)];

        return $a === null || $b === null ? $a ?? $b : Bytes::most($a, $b);
    }
}
