<?php

declare(strict_types=1);

namespace Awning\Core\Light;

use Awning\Core\Colour\Rgb;
use Awning\Core\Flats\RegionGraph;
use Awning\Core\Light\Plan\LightPlan;
use Awning\Core\Light\Shadow\UnseenLines;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** A page as a first light asks for it: its regions, their colours and depths, and the plans they stand under. */
final readonly class LightPage
{
    /** @var list<array{int, int, int}> of the labels: first pixel, pixel after the last, label */
    public array $spans;

    /** Which regions lie beside which. */
    public RegionGraph $beside;

    /**
     * @param  Labels  $labels  grown under the lines, so that neighbours touch
     * @param  array<array-key, Region>  $regions  by label
     * @param  array<int, int>  $depths  by figure; a higher one is nearer to the reader
     * @param  \Closure(Region): ?Rgb  $base  the base colour of a region; null where it has none
     * @param  array<int, array{LightPlan, string}>  $plans  light plans that regions may stand under instead of the
     *     page's, with their names, by id
     * @param  ?UnseenLines  $unseen  what stands in the place of the page's lines; null: they show
     * @param  int  $smaller  so many times the labels are smaller than the page
     */
    public function __construct(
        public Labels $labels,
        public array $regions,
        private array $depths,
        private \Closure $base,
        private array $plans = [],
        public ?UnseenLines $unseen = null,
        public int $smaller = 1,
    ) {
        $this->spans = Labels::spans($labels->data);
        $this->beside = RegionGraph::of($labels, null, $this->spans);
    }

    /**
     * How much of the page each figure has, what lies all round it left out: paper between panels, or a plain ground,
     * is no body.
     *
     * @return array<int, int> pixels by figure
     */
    public function bodies(): array
    {
        $areas = [];
        foreach (array_diff_key($this->regions, $this->labels->aroundAll()) as $region) {
            if ($region->isFilled()) {
                $areas[$region->figure] = ($areas[$region->figure] ?? 0) + $region->area;
            }
        }

        return $areas;
    }

    /** Whether a region is of a figure that is nearer to the reader than another one. */
    public function isNearer(Region $region, int $figure): bool
    {
        return ($this->depths[$region->figure] ?? -1) > ($this->depths[$figure] ?? 0);
    }

    /** Under which plan other than the page's a region stands; 0: under that. */
    public function planOf(Region $region): int
    {
        return isset($this->plans[$region->plan ?? 0]) ? (int) $region->plan : 0;
    }

    /** @return array<int, array{LightPlan, string}> by id, those under which a figure stands in places */
    public function panelsOf(int $figure): array
    {
        $plans = array_map(
            $this->planOf(...),
            array_filter($this->regions, fn (Region $region): bool => $region->figure === $figure),
        );

        return array_intersect_key($this->plans, array_flip($plans));
    }

    public function base(Region $region): ?Rgb
    {
        return ($this->base)($region);
    }

    /**
     * @param  callable(Region): bool  $does
     * @return Plane 255 in every region that does
     */
    public function where(callable $does): Plane
    {
        $is = array_filter(array_map($does, $this->regions));
        if ($is === []) {
            return Plane::filled($this->labels->width, $this->labels->height, 0);
        }
        $data = '';
        foreach ($this->spans as [$from, $to, $label]) {
            $data .= str_repeat(isset($is[$label]) ? "\xff" : "\0", $to - $from);
        }

        return new Plane($this->labels->width, $this->labels->height, $data);
    }

    /**
     * @template T
     *
     * @param  callable(Region): ?T  $what
     * @return array<int, T> by label, where something is told
     */
    public function byRegion(callable $what): array
    {
        $found = [];
        foreach ($this->regions as $label => $region) {
            $found[(int) $label] = $what($region);
        }

        return array_filter($found, fn (mixed $one): bool => $one !== null);
    }
}
