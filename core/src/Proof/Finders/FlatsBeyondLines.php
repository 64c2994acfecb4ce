<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\FromPixels;
use Awning\Core\Proof\LabelPiece;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/**
 * Looks for flats that show beyond their line: a piece of a region in a room, bounded by ink, that is mostly another
 * region's, while the most of its own region lies in another room. A room that is all its own (a slit of hatching, a
 * crumb that was joined) is none, nor is what meets at a bridged gap: both lie in one room.
 */
final readonly class FlatsBeyondLines implements FromPixels
{
    /** Fewer pixels are the jag of an edge. */
    private const LEAST = 6;

    public static function kind(): string
    {
        return 'spill';
    }

    public static function title(): string
    {
        return 'Flats beyond their line';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Flats;
    }

    public function find(ProofPage $page): array
    {
        return self::in($page->labels(), $page->ink());
    }

    public function mend(array $findings): ?Mend
    {
        return null;
    }

    /** @return list<Finding> the largest first */
    public static function in(Labels $labels, Plane $ink): array
    {
        $pieces = LabelPiece::in($labels, $ink);
        $largest = LabelPiece::largest($pieces);
        $rooms = [];
        foreach ($pieces as $piece) {
            $rooms[$piece->room][$piece->label] = ($rooms[$piece->room][$piece->label] ?? 0) + $piece->area;
        }
        $found = [];
        foreach ($pieces as $piece) {
            $here = $rooms[$piece->room];
            if (
                $piece->label > 0 &&
                $piece->area >= self::LEAST &&
                $largest[$piece->label]->room !== $piece->room &&
                2 * $here[$piece->label] < array_sum($here)
            ) {
                $found[] = $piece->finding("$piece->area px beyond the line", $labels->width);
            }
        }

        return Finding::largestFirst($found);
    }
}
