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

/** Looks for pixels of a region that lie apart from the rest of it: pieces far smaller than its largest. */
final readonly class StrayPieces implements FromPixels
{
    /** A piece is stray up to so many pixels, and up to this part of the largest piece. */
    private const MOST = 400;

    private const PART = 0.02;

    public static function kind(): string
    {
        return 'stray';
    }

    public static function title(): string
    {
        return 'Stray pixels';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Flats;
    }

    public function find(ProofPage $page): array
    {
        return self::in($page->labels());
    }

    public function mend(array $findings): Mend
    {
        return new Mend('Join all', 'Each joins the region around it', 'flats.strays', [
            'places' => array_map(fn (Finding $finding): array => [(int) $finding->x, (int) $finding->y], $findings),
        ]);
    }

    /** @return list<Finding> the largest first */
    public static function in(Labels $labels): array
    {
        $pieces = LabelPiece::in($labels);
        $largest = LabelPiece::largest($pieces);
        $found = [];
        foreach ($pieces as $piece) {
            $most = $largest[$piece->label]->area;
            if ($piece->area < $most && $piece->area <= min(self::MOST, self::PART * $most)) {
                $found[] = $piece->finding("$piece->area px apart from their region", $labels->width);
            }
        }

        return Finding::largestFirst($found);
    }
}
