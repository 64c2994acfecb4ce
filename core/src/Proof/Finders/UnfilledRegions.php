<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Page\Region\Region;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;

/** Regions without a material, the largest first. */
final readonly class UnfilledRegions implements Finder
{
    public static function kind(): string
    {
        return 'unfilled';
    }

    public static function title(): string
    {
        return 'Unfilled regions';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Proof;
    }

    public function find(ProofPage $page): array
    {
        $open = array_filter($page->regions, fn (Region $region): bool => ! $region->isFilled());
        uasort($open, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        $whole = max(1, $page->area());

        return array_map(fn (int $label, Region $region): Finding => new Finding(
            self::share($region->area / $whole).' of the page', [$label], $region->x, $region->y, $region->area,
        ), array_keys($open), array_values($open));
    }

    private static function share(float $share): string
    {
        return $share < 0.001 ? 'under 0.1 %' : number_format(100 * $share, 1).' %';
    }

    public function mend(array $findings): ?Mend
    {
        return null;
    }
}
