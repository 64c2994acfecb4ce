<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;

/**
 * Where each pixel's surface faces. Regions of a material are one body, or many, or something between: a fold line
 * creases the body by a strength. Regions of which a simple solid is told face as that does.
 */
final readonly class SurfaceNormals
{
    /** Px to either side over which what was told at half the size is smoothed, so that its pixels are not seen. */
    private const SMOOTH = 2;

    /**
     * @param  array<int, float>  $x  to the right
     * @param  array<int, float>  $y  up
     * @param  array<int, float>  $depth  0 at the border of the body, 1 on its axis
     * @param  array<int, float>  $border  distance from the border, px
     */
    private function __construct(public array $x, public array $y, public array $depth, public array $border)
    {
    }

    /** How wide the body is at a pixel, from its border to its axis, px. */
    public function radius(int $at): float
    {
        return $this->border[$at] / max(1e-6, $this->depth[$at]);
    }

    /**
     * @param  array<int, int>  $bodies  the body each label belongs to; its own where none is said
     * @param  array<int, Solid>  $solids  by label
     * @param  array<int, DirectionField>  $flows  which way they run, by label
     */
    public static function of(Labels $labels, array $bodies, float $folds, array $solids, array $flows = []): self
    {
        $parts = $folds > 0 || $bodies === [] ? Inflation::of($labels) : null;
        $joined = $folds < 1 && $bodies !== [] ? self::joined($labels, $bodies) : null;
        $main = $parts ?? Inflation::of($joined ?? $labels);
        [$x, $y] = [$main->x, $main->y];
        if ($parts !== null && $joined !== null) {
            self::uncrease($x, $y, $joined, $folds);
        }
        (new AssignedSolids($labels, $solids, $flows))->turn($x, $y);

        return new self($x, $y, $main->depth, $main->border);
    }

    /**
     * Draws facings toward those of whole bodies; these are large and turn slowly, so half the size tells them.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     */
    private static function uncrease(array &$x, array &$y, Labels $joined, float $folds): void
    {
        $half = $joined->thinned(2);
        $wholes = Inflation::of($half);
        [$of, $ofHalf] = [$joined->numbers(), $half->numbers()];
        for ($row = $at = 0; $row < $joined->height; $row++) {
            $start = ($row >> 1) * $half->width;
            for ($column = 0; $column < $joined->width; $column++, $at++) {
                $there = self::sameBody($ofHalf, $start + ($column >> 1), $half->width, $of[$at]);
                if ($there === null) {
                    continue;
                }
                $x[$at] = $wholes->x[$there] + ($x[$at] - $wholes->x[$there]) * $folds;
                $y[$at] = $wholes->y[$there] + ($y[$at] - $wholes->y[$there]) * $folds;
            }
        }
        $means = RegionMeans::within($of, $joined->width, $joined->height);
        [$x, $y] = [$means->of($x, self::SMOOTH), $means->of($y, self::SMOOTH)];
    }

    /**
     * At the border of a body, half the size may tell of what lies beside it.
     *
     * @param  list<int>  $of  bodies, at half the size
     * @return ?int the place, or one beside it, that is of a body; null: there is none
     */
    private static function sameBody(array $of, int $place, int $width, int $body): ?int
    {
        if ($of[$place] === $body) {
            return $place;
        }
        foreach ([$place - 1, $place + 1, $place - $width, $place + $width] as $beside) {
            if (($of[$beside] ?? -1) === $body) {
                return $beside;
            }
        }

        return null;
    }

    /** @param  array<int, int>  $bodies */
    private static function joined(Labels $labels, array $bodies): Labels
    {
        $data = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $data .= str_repeat(pack('n', $bodies[$label] ?? $label), $to - $from);
        }

        return new Labels($labels->width, $labels->height, $data);
    }
}
