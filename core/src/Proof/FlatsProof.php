<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\Region;

/** What is odd about a page's flats. */
final readonly class FlatsProof
{
    /** Two colours nearer than this cannot be told apart beside each other (CIEDE2000; common practice). */
    public const ALIKE = 3.0;

    /** Regions of fewer pixels at 300 dpi may be crumbs. */
    private const CRUMB = 60;

    /** A border of fewer pixels is a corner that touches. */
    private const TOUCH = 4;

    /** Of one kind no more than this: the worst. */
    private const MOST = 60;

    /** @param  array<int, Region>  $regions  by label */
    public function __construct(private array $regions, private RegionGraph $graph)
    {
    }

    /**
     * @param  callable(int): ?int  $colour  0xRRGGBB of a region's base by its label; null where it has none
     * @param  list<Finding>  $pixels  stray ones and spills, the largest first
     * @return list<Finding> kind by kind, the worst of each first
     */
    public function findings(callable $colour, float $dpi, array $pixels = []): array
    {
        return [...$this->alike($colour), ...$this->alone(), ...self::most($pixels, FindingKind::Spill), ...self::most($pixels, FindingKind::Stray), ...$this->crumbs($dpi)];
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Finding> the first of one kind
     */
    private static function most(array $findings, FindingKind $kind): array
    {
        return array_slice(array_values(array_filter($findings, fn (Finding $finding): bool => $finding->kind === $kind)), 0, self::MOST);
    }

    /** @return list<Finding> the smallest regions, smallest first */
    public function crumbs(float $dpi): array
    {
        $scale = $dpi > 0 ? $dpi / 300 : 1;
        $small = array_filter($this->regions, fn (Region $region): bool => ! $region->locked && $region->area < self::CRUMB * $scale * $scale);
        uasort($small, fn (Region $a, Region $b): int => $a->area <=> $b->area);

        return $this->each($small, FindingKind::Crumb);
    }

    /** @return list<Finding> regions that touch nothing else of their figure, the largest first */
    public function alone(): array
    {
        $of = array_count_values(array_map(fn (Region $region): int => $region->figure, $this->regions));
        $alone = array_filter($this->regions, fn (Region $region, int $label): bool => $region->isFilled() && $of[$region->figure] > 1 && ! $this->touchesItsFigure($label, $region), ARRAY_FILTER_USE_BOTH);
        uasort($alone, fn (Region $a, Region $b): int => $b->area <=> $a->area);

        return $this->each($alone, FindingKind::Alone);
    }

    private function touchesItsFigure(int $label, Region $region): bool
    {
        foreach ($this->graph->neighbours($label) as $other => $border) {
            if ($border >= self::TOUCH && ($this->regions[$other]->figure ?? 0) === $region->figure) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  callable(int): ?int  $colour  0xRRGGBB by label
     * @return list<Finding> one for each pair of materials, at its longest border, the nearest colours first
     */
    public function alike(callable $colour): array
    {
        $pairs = [];
        foreach ($this->regions as $label => $region) {
            foreach ($this->graph->neighbours($label) as $other => $border) {
                $beside = $this->regions[$other] ?? null;
                if ($other > $label && $border >= self::TOUCH && $beside !== null && $region->isFilled() && $beside->isFilled() && $region->material !== $beside->material) {
                    $pair = min($region->material, $beside->material).' '.max($region->material, $beside->material);
                    if ($border > ($pairs[$pair][2] ?? 0)) {
                        $pairs[$pair] = [$label, $other, $border];
                    }
                }
            }
        }
        $found = [];
        foreach ($pairs as [$label, $other]) {
            $between = self::difference($colour($label), $colour($other));
            $smaller = $this->regions[$this->regions[$label]->area < $this->regions[$other]->area ? $label : $other];
            if ($between < self::ALIKE) {
                $found[] = new Finding(FindingKind::Alike, [$label, $other], $smaller->x, $smaller->y, $between);
            }
        }
        usort($found, fn (Finding $a, Finding $b): int => $a->amount <=> $b->amount);

        return array_slice($found, 0, self::MOST);
    }

    private static function difference(?int $a, ?int $b): float
    {
        return $a === null || $b === null ? INF : Difference::ciede2000(Lab::of(Rgb::fromNumber($a)), Lab::of(Rgb::fromNumber($b)));
    }

    /**
     * @param  array<int, Region>  $regions
     * @return list<Finding>
     */
    private function each(array $regions, FindingKind $kind): array
    {
        $found = [];
        foreach (array_slice($regions, 0, self::MOST, true) as $label => $region) {
            $found[] = new Finding($kind, [$label], $region->x, $region->y, $region->area);
        }

        return $found;
    }
}
