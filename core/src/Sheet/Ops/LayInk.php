<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Flats\FlatsResult;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Bridge;
use Awning\Core\Page\Drawing;
use Awning\Core\Page\InkStroke;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\LineColouring;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\PassSpec;
use Awning\Core\Page\Region;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Lays a drawing on the page, a new one or one cleaned or placed anew, and the flats that belong to all the ink there is
 * then. What regions were filled with stays with the regions that now lie there.
 */
final readonly class LayInk implements Op
{
    /** The drawing of a page that has only one. */
    public const FIRST = 'drawing1';

    /**
     * @param  ?PlacedDrawing  $placed  null: only the flats are found anew
     * @param  FlatsResult  $flats  of the ink as it is with this drawing
     * @param  string  $id  of the drawing
     */
    public function __construct(private string $title, private ?PlacedDrawing $placed, private FlatsResult $flats, private string $id = self::FIRST)
    {
    }

    public static function kind(): string
    {
        return 'ink.lay';
    }

    public static function form(): int
    {
        return 2;
    }

    public function toInput(): array
    {
        return ['id' => $this->id, 'drawing' => $this->placed?->drawing->toData()];
    }

    public function title(): string
    {
        return $this->title;
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function apply(Sheet $sheet): void
    {
        $old = $sheet->find(PageSize::class, PageSize::KEY);
        $size = $this->placed->size ?? $old ?? throw new OpRefused('The page has no line art yet. Import a scan first.');
        $regions = $this->withFills($sheet);
        if ($old !== null && ! $old->fits($size)) {
            $this->grow($sheet, $old, $size);
        }
        $sheet->put(PageSize::KEY, new PageSize($size->width, $size->height, $size->dpi, false, $old->lines ?? new LineColouring));
        if ($this->placed !== null) {
            $sheet->put($this->id, $this->placed->drawing);
            $sheet->setLayer(LayerName::scan($this->id), $this->placed->darkness->data);
            $ink = new InkLayers($sheet);
            $ink->lay($this->id, $this->placed);
            $ink->make();
        }
        $sheet->setLayer(LayerName::flats(), $this->flats->labels->data);
        $this->replace($sheet, Region::class, $regions);
        $this->replace($sheet, Bridge::class, $this->bridges($sheet));
    }

    /** A page with only this drawing on it takes the size of another scan. */
    private function grow(Sheet $sheet, PageSize $old, PageSize $size): void
    {
        $others = array_diff_key($sheet->all(Drawing::class), [$this->id => true]);
        if ($sheet->all(PassSpec::class) !== [] || $sheet->all(InkStroke::class) !== [] || $others !== []) {
            throw new OpRefused(sprintf(
                'This scan is %d x %d px; the page is %d x %d px and has other work on it. Import it into a new page, or scan it at the same size.',
                $size->width, $size->height, $old->width, $old->height,
            ));
        }
        foreach ([...LayerName::allOf($this->id), LayerName::ink(), LayerName::flats()] as $layer) {
            $sheet->clearLayer($layer);
        }
    }

    /** @return array<int, Bridge> those that were decided by hand keep their numbers, those found follow */
    private function bridges(Sheet $sheet): array
    {
        $bridges = self::decided($sheet);
        $next = max([0, ...array_keys($bridges)]);
        foreach ([...$this->flats->bridges, ...$this->flats->doubtful] as $bridge) {
            $bridges[++$next] = $bridge;
        }

        return $bridges;
    }

    /** @return array<int, Bridge> by number */
    public static function decided(Sheet $sheet): array
    {
        $decided = [];
        foreach ($sheet->all(Bridge::class) as $number => $bridge) {
            if ($bridge->kind->isDecided()) {
                $decided[(int) $number] = $bridge;
            }
        }

        return $decided;
    }

    /** How many regions that were filled do not find their place again in the flats that are laid. */
    public function displaced(Sheet $sheet): int
    {
        $filled = array_filter($sheet->all(Region::class), fn (Region $region): bool => $region->material !== 0);
        if ($filled === []) {
            return 0;
        }
        $after = $this->withFills($sheet);
        $labels = $this->flats->labels;
        $found = array_filter($filled, function (Region $region) use ($after, $labels): bool {
            $isOn = $region->x < $labels->width && $region->y < $labels->height;
            $now = $isOn ? $after[$labels->at($region->x, $region->y)] ?? null : null;

            return $now !== null && $now->figure === $region->figure && $now->material === $region->material;
        });

        return count($filled) - count($found);
    }

    /** @return array<int, Region> the regions found, with what now lies there filled as it was */
    private function withFills(Sheet $sheet): array
    {
        $before = $sheet->all(Region::class);
        if ($before === []) {
            return $this->flats->regions;
        }

        return array_map(function (Region $region) use ($before, $sheet): Region {
            $old = $before[$sheet->labelAt($region->x, $region->y)] ?? null;

            return $old === null ? $region : $region->like($old);
        }, $this->flats->regions);
    }

    /**
     * @param  class-string<Region|Bridge>  $class
     * @param  array<int, Region|Bridge>  $records
     */
    private function replace(Sheet $sheet, string $class, array $records): void
    {
        foreach (array_keys(array_diff_key($sheet->all($class), $records)) as $gone) {
            $sheet->remove($class, $gone);
        }
        foreach ($records as $key => $record) {
            $sheet->put($key, $record);
        }
    }
}
