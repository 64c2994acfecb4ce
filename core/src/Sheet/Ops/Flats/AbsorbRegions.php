<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Flats\RegionGraph;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Regions\Relabelling;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Gives crumbs to the neighbour they share the longest open border with: where little ink stands between them.
 *
 * @phpstan-type AbsorbInput array{labels: list<int>}
 */
final readonly class AbsorbRegions implements ClientOp
{
    private const MOST = 500;

    /** How little a border under full ink counts beside an open one. */
    private const INKED = 0.1;

    /** @param  non-empty-list<int>  $labels */
    private function __construct(private array $labels)
    {
    }

    public static function kind(): string
    {
        return 'flats.absorb';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(JoinRegions::labels($input, self::MOST));
    }

    /** @return AbsorbInput */
    public function toInput(): array
    {
        return ['labels' => $this->labels];
    }

    public function title(): string
    {
        return count($this->labels) === 1
            ? 'Join a small region to its neighbour'
            : sprintf('Join %d small regions to their neighbours', count($this->labels));
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $regions = array_filter(
            array_intersect_key($sheet->all(Region::class), array_flip($this->labels)),
            fn (Region $region): bool => ! $region->locked,
        );
        // Of equals the one with the smaller label first, in whatever order they came.
        ksort($regions);
        uasort($regions, fn (Region $a, Region $b): int => $a->area <=> $b->area);
        $flats = new Relabelling($sheet);
        $isDone = false;
        foreach ($regions as $label => $_) {
            $region = $sheet->find(Region::class, $label);
            $into = $region === null ? null : self::neighbour($sheet, $flats, (int) $label);
            if ($region === null || $into === null) {
                continue;
            }
            $flats->join((int) $label, $into);
            $taker = $sheet->find(Region::class, $into);
            if ($taker !== null) {
                $sheet->put($into, $taker->reaching($taker->area + $region->area, $taker->x, $taker->y));
            }
            $isDone = true;
        }
        if (! $isDone) {
            throw new OpRefused('There is no neighbour that could take it in: it is locked, or alone on the page.');
        }
    }

    private static function neighbour(Sheet $sheet, Relabelling $flats, int $label): ?int
    {
        $window = $flats->window($label);
        $window = $window->grown(1)->intersect($sheet->rect());
        $graph = RegionGraph::of(
            new Labels($window->width, $window->height, $flats->read($window)),
            new Plane($window->width, $window->height, (new LayerWindow($sheet, LayerName::ink()))->read($window)),
        );
        $ink = $graph->inkBetween($label);
        $shares = [];
        foreach ($graph->neighbours($label) as $other => $border) {
            $beside = $sheet->find(Region::class, $other);
            if ($beside !== null && ! $beside->locked) {
                $shares[$other] = $border * (1 - (1 - self::INKED) * $ink[$other]);
            }
        }
        ksort($shares);
        arsort($shares);

        return array_key_first($shares);
    }
}
