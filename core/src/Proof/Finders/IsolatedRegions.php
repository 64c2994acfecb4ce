<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;

/** Filled regions that touch nothing else of their figure, the largest first. */
final readonly class IsolatedRegions implements Finder
{
    public static function kind(): string
    {
        return 'isolated';
    }

    public static function title(): string
    {
        return 'Isolated regions';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Flats;
    }

    public function find(ProofPage $page): array
    {
        $of = array_count_values(array_map(fn (Region $region): int => $region->figure, $page->regions));
        $found = [];
        foreach ($page->regions as $label => $region) {
            if ($region->isFilled() && $of[$region->figure] > 1 && ! self::touchesItsFigure($page, $label, $region)) {
                $found[] = new Finding(
                    number_format($region->area).' px',
                    [$label],
                    $region->x,
                    $region->y,
                    $region->area,
                );
            }
        }

        return Finding::largestFirst($found);
    }

    private static function touchesItsFigure(ProofPage $page, int $label, Region $region): bool
    {
        foreach ($page->graph()->neighbours($label) as $other => $border) {
            if ($border >= RegionGraph::TOUCH && ($page->regions[$other]->figure ?? 0) === $region->figure) {
                return true;
            }
        }

        return false;
    }

    public function mend(array $findings): ?Mend
    {
        return null;
    }
}
