<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Flats\FlatsResult;
use Awning\Core\Flats\RegionMatch;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/**
 * Lays a drawing on the page, a new one or one cleaned or placed anew, and the flats that belong to all the ink there
 * is then. What regions were filled with stays with the regions that now lie there.
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
    public function __construct(
        private string $title,
        private ?PlacedDrawing $placed,
        private FlatsResult $flats,
        private string $id = self::FIRST,
    ) {
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
        $size =
            $this->placed->size ?? ($old ?? throw new OpRefused('The page has no line art yet. Import a scan first.'));
        $regions = $this->withFills($sheet);
        if ($old !== null && ! $old->fits($size)) {
            $this->grow($sheet, $old, $size);
        }
        $sheet->put(
            PageSize::KEY,
            ($old ?? $size)->sized($size->width, $size->height, $size->dpi, false),
        );
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
            throw new OpRefused(
                sprintf(
                    'This scan is %d x %d px; the page is %d x %d px and has other work on it. Import it into a new '
                        .'page, or scan it at the same size.',
                    $size->width,
                    $size->height,
                    $old->width,
                    $old->height,
                ),
            );
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

    /**
     * In words, what became of regions that were filled: how many lie in parts now, and how many with others; empty
     * when none.
     */
    public function report(Sheet $sheet): string
    {
        $before = $sheet->all(Region::class);
        $match = $this->match($sheet);
        if ($match === null) {
            return '';
        }
        $isFilled = fn (int $label): bool => isset($before[$label]) && $before[$label]->isFilled();
        $split = array_filter($match->split(), $isFilled, ARRAY_FILTER_USE_KEY);
        $merged = array_filter($match->merged(), function (array $labels) use ($before, $isFilled): bool {
            $materials = array_map(
                fn (int $label): int => $before[$label]->material ?? 0,
                array_filter($labels, $isFilled),
            );

            return count(array_unique($materials)) > 1;
        });
        $say = fn (int $count, string $one, string $many): string => $count === 0
            ? ''
            : ($count === 1
                ? $one
                : sprintf($many, $count));

        return trim(
            $say(
                count($split),
                'One filled region lies in parts now; each has its fill.',
                '%d filled regions lie in parts now; each part has the fill.',
            ).
                ' '.
                $say(
                    count($merged),
                    'Regions of different materials flow together in one place; the larger one’s fill is kept.',
                    'Regions of different materials flow together in %d places; the larger one’s fill is kept.',
                ),
        );
    }

    /** @return array<int, Region> the regions found, each filled as the one it overlaps most was */
    private function withFills(Sheet $sheet): array
    {
        $match = $this->match($sheet);
        if ($match === null) {
            return $this->flats->regions;
        }
        $before = $sheet->all(Region::class);
        $regions = [];
        foreach ($this->flats->regions as $label => $region) {
            $old = $before[$match->before($label) ?? 0] ?? null;
            $regions[$label] = $old === null ? $region : $region->like($old);
        }

        return $regions;
    }

    /** Null when there was nothing before. A page that takes another size is compared corner by corner. */
    private function match(Sheet $sheet): ?RegionMatch
    {
        if ($sheet->isEmpty() || $sheet->all(Region::class) === []) {
            return null;
        }
        $labels = $this->flats->labels;

        return RegionMatch::of($sheet->labels()->crop(new Rect(0, 0, $labels->width, $labels->height)), $labels);
    }

    /**
     * @param  class-string<Region|Bridge>  $class
     * @param  array<int, Region|Bridge>  $records
     */
    private function replace(Sheet $sheet, string $class, array $records): void
    {
        foreach (array_keys(array_diff_key($sheet->all($class), $records)) as $unused) {
            $sheet->remove($class, $unused);
        }
        foreach ($records as $key => $record) {
            $sheet->put($key, $record);
        }
    }
}
