<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Raster\Labels;

/** Looks for pixels of a region that lie apart from the rest of it: pieces far smaller than its largest. */
final readonly class StrayPixels
{
    /** A piece is stray up to so many pixels, and up to this part of the largest piece. */
    private const MOST = 400;

    private const PART = 0.02;

    /** @return list<Finding> the largest first */
    public static function in(Labels $labels): array
    {
        $pieces = LabelPiece::in($labels);
        $largest = LabelPiece::largest($pieces);
        $found = [];
        foreach ($pieces as $piece) {
            $most = $largest[$piece->label]->area;
            if ($piece->area < $most && $piece->area <= min(self::MOST, self::PART * $most)) {
                $found[] = $piece->finding(FindingKind::Stray, $labels->width);
            }
        }
        usort($found, fn (Finding $a, Finding $b): int => $b->amount <=> $a->amount);

        return $found;
    }
}
