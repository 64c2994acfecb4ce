<?php

declare(strict_types=1);

namespace Awning\Core\Proof\Finders;

use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Proof\Finder;
use Awning\Core\Proof\FinderStage;
use Awning\Core\Proof\Finding;
use Awning\Core\Proof\Mend;
use Awning\Core\Proof\ProofPage;

/**
 * Two neighbours of different materials whose colours cannot be told apart: one finding for each pair of materials, at
 * its longest border, the nearest colours first.
 */
final readonly class AlikeNeighbours implements Finder
{
    /** Two colours nearer than this cannot be told apart beside each other (CIEDE2000; common practice). */
    public const ALIKE = 3.0;

    public static function kind(): string
    {
        return 'alike';
    }

    public static function title(): string
    {
        return 'Neighbours that look alike';
    }

    public static function stage(): FinderStage
    {
        return FinderStage::Flats;
    }

    public function find(ProofPage $page): array
    {
        $found = [];
        foreach (self::pairs($page) as [$label, $other]) {
            $between = self::difference(($page->colour)($label), ($page->colour)($other));
            $smaller = $page->regions[$page->regions[$label]->area < $page->regions[$other]->area ? $label : $other];
            if ($between < self::ALIKE) {
                $found[] = new Finding(
                    sprintf('ΔE %.1f between them', $between),
                    [$label, $other],
                    $smaller->x,
                    $smaller->y,
                    $between,
                );
            }
        }
        usort($found, fn (Finding $a, Finding $b): int => $a->amount <=> $b->amount);

        return $found;
    }

    /** @return array<string, array{int, int, int}> by materials: two regions and how long their border is */
    private static function pairs(ProofPage $page): array
    {
        $pairs = [];
        foreach ($page->regions as $label => $region) {
            foreach ($page->graph()->neighbours($label) as $other => $border) {
                $beside = $page->regions[$other] ?? null;
                if (
                    $other > $label &&
                    $border >= RegionGraph::TOUCH &&
                    $beside !== null &&
                    $region->isFilled() &&
                    $beside->isFilled() &&
                    $region->material !== $beside->material
                ) {
                    $pair = min($region->material, $beside->material).' '.max($region->material, $beside->material);
                    if ($border > ($pairs[$pair][2] ?? 0)) {
                        $pairs[$pair] = [$label, $other, $border];
                    }
                }
            }
        }

        return $pairs;
    }

    private static function difference(?int $a, ?int $b): float
    {
        return $a === null || $b === null
            ? INF
            : Difference::ciede2000(Lab::of(Rgb::fromNumber($a)), Lab::of(Rgb::fromNumber($b)));
    }

    public function mend(array $findings): ?Mend
    {
        return null;
    }
}
