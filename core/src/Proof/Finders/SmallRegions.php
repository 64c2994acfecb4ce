<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;

/** Regions so small that they may be left over, the smallest first. */
final readonly class SmallRegions implements Finder
{
    /** Fewer pixels at 300 dpi. */
    private const SMALL = 60;

    public static function kind(): string
    {
        return 'small';
    }

    public static function title(): string
    {
        return 'The smallest regions';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Flats;
    }

    public function find(ProofPage $page): array
    {
        $scale = $page->dpi > 0 ? $page->dpi / 300 : 1;
        $small = array_filter(
            $page->regions,
            fn (Region $region): bool => ! $region->locked && $region->area < self::SMALL * $scale * $scale,
        );
        uasort($small, fn (Region $a, Region $b): int => $a->area <=> $b->area);

        return array_map(
            fn (int $label, Region $region): Finding => new Finding(
                "$region->area px",
                [$label],
                $region->x,
                $region->y,
                $region->area,
            ),
            array_keys($small),
            array_values($small),
        );
    }

    public function mend(array $findings): Mend
    {
        return new Mend('Join all', 'Each joins the neighbour from which the least ink separates it', 'flats.absorb', [
            'labels' => array_merge(...array_map(fn (Finding $finding): array => $finding->labels, $findings)),
        ]);
    }
}
