<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/** Two strokes or shapes that are one: where they lie over each other it is no darker. */
final readonly class TwinCoverage implements Coverage
{
    public function __construct(private Coverage $one, private Coverage $other)
    {
    }

    public function bounds(): Rect
    {
        [$a, $b] = [$this->one->bounds(), $this->other->bounds()];
        if ($a->isEmpty() || $b->isEmpty()) {
            return $a->isEmpty() ? $b : $a;
        }

        return Rect::bounds(min($a->x, $b->x), min($a->y, $b->y), max($a->right(), $b->right()), max($a->bottom(), $b->bottom()));
    }

    public function cut(Rect $rect): ?string
    {
        [$a, $b] = [$this->one->cut($rect), $this->other->cut($rect)];

        return $a === null || $b === null ? $a ?? $b : Bytes::most($a, $b);
    }
}
