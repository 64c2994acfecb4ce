<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;

/** Bodies that lie far apart, in rectangles of their own: cut wherever a whole row or column holds nothing. */
final readonly class Pieces
{
    /** Rows or columns of nothing that are worth a cut. */
    private const APART = 8;

    /** Px around a piece in which its edges are still seen as edges. */
    private const AROUND = 2;

    /** All pieces together have so many times the work of one, and each at least this part. */
    private const TOGETHER = 2;

    private const LEAST_SHARE = 0.25;

    /** @return list<Rect> within the plane, the largest first, none of them empty; they may overlap by their rims */
    public static function of(Labels $labels): array
    {
        $all = new Rect(0, 0, $labels->width, $labels->height);
        $pieces = array_map(
            fn (Rect $piece): Rect => $piece->grown(self::AROUND)->intersect($all),
            self::cut($labels, $all, false, false),
        );
        usort($pieces, fn (Rect $a, Rect $b): int => $b->width * $b->height <=> $a->width * $a->height);

        return $pieces;
    }

    /**
     * How much is worked out of each: bodies in many pieces are worked out coarser, so that they do not take many times
     * as long.
     *
     * @param  list<Rect>  $pieces
     * @param  int  $work  pixels of bodies that are worked out of one
     * @return list<int>
     */
    public static function works(array $pieces, int $work): array
    {
        $sides = array_map(fn (Rect $piece): float => sqrt($piece->width * $piece->height), $pieces);
        $shares = array_map(
            fn (float $side): float => max(self::LEAST_SHARE, (self::TOGETHER * $side) / array_sum($sides)),
            $sides,
        );

        return array_map(fn (float $share): int => (int) (min(1.0, $share) * $work), $shares);
    }

    /**
     * @param  bool  $across  whether columns are cut, not rows
     * @param  bool  $isWhole  whether the other way has found nothing to cut
     * @return list<Rect>
     */
    private static function cut(Labels $labels, Rect $within, bool $across, bool $isWhole): array
    {
        $parts = self::stretches($across ? self::columns($labels, $within) : self::rows($labels, $within));
        $rects = array_map(
            fn (array $part): Rect => $across
                ? new Rect($within->x + $part[0], $within->y, $part[1] - $part[0], $within->height)
                : new Rect($within->x, $within->y + $part[0], $within->width, $part[1] - $part[0]),
            $parts,
        );
        $isSame = count($rects) === 1 && $rects[0] == $within;
        if ($isSame && $isWhole) {
            return $rects;
        }

        return array_merge(
            ...array_map(fn (Rect $rect): array => self::cut($labels, $rect, ! $across, $isSame), $rects),
        );
    }

    /** @return string of each row whether there is something: 1, else 0 */
    private static function rows(Labels $labels, Rect $within): string
    {
        $nothing = str_repeat("\0", 2 * $within->width);
        $rows = '';
        for ($y = $within->y; $y < $within->bottom(); $y++) {
            $rows .=
                substr($labels->data, 2 * ($y * $labels->width + $within->x), 2 * $within->width) === $nothing
                    ? '0'
                    : '1';
        }

        return $rows;
    }

    private static function columns(Labels $labels, Rect $within): string
    {
        $any = str_repeat("\0", 2 * $within->width);
        for ($y = $within->y; $y < $within->bottom(); $y++) {
            $any |= substr($labels->data, 2 * ($y * $labels->width + $within->x), 2 * $within->width);
        }
        $columns = '';
        for ($x = 0; $x < $within->width; $x++) {
            $columns .= $any[2 * $x] === "\0" && $any[2 * $x + 1] === "\0" ? '0' : '1';
        }

        return $columns;
    }

    /** @return list<array{int, int}> first and the one after the last of what is something, small gaps left in */
    private static function stretches(string $marks): array
    {
        $stretches = [];
        for ($at = strcspn($marks, '1'); $at < strlen($marks); $at = $end + strcspn($marks, '1', $end)) {
            $end = $at + strspn($marks, '1', $at);
            $before = array_pop($stretches) ?? [$at, $at];
            if ($at - $before[1] < self::APART) {
                $stretches[] = [$before[0], $end];
            } else {
                array_push($stretches, $before, [$at, $end]);
            }
        }

        return $stretches;
    }
}
