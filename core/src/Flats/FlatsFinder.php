<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\BridgeKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;
use Awning\Core\Raster\Stopwatch;
use Awning\Core\Raster\Workers;

/** Lays flats: from the ink's coverage to the regions it bounds, each grown under the lines to its neighbours. */
final readonly class FlatsFinder
{
    /** Coverage from which a pixel bounds a region. Below half, so that thin and faint lines still do. */
    public const BOUND = 100;

    public const GAP_AT_300_DPI = 12;

    /**
     * @param  int  $gap  the longest gap in a line that a bridge closes, in pixels; 0 for none
     * @param  int  $crumb  free areas of fewer pixels go to a neighbour
     * @param  float  $thin  and so do those that are thinner, px
     */
    public function __construct(
        private int $gap = self::GAP_AT_300_DPI,
        private int $crumb = 12,
        private float $thin = 1.5,
    ) {
    }

    /** The usual gap and crumb at a resolution; a page without one is taken as 300 dpi. */
    public static function forDpi(float $dpi): self
    {
        $scale = $dpi > 0 ? $dpi / 300 : 1;

        return new self(
            (int) max(4, round(self::GAP_AT_300_DPI * $scale)),
            (int) max(6, round(12 * $scale * $scale)),
            max(1.2, 1.5 * $scale),
        );
    }

    /**
     * @param  list<Bridge>  $decided  by hand: those kept are made first, those refused are not found again
     * @param  Workers  $workers  who shares the work on a large page
     */
    public function find(Plane $ink, array $decided = [], Workers $workers = new OneWorker): FlatsResult
    {
        $width = $ink->width;
        $height = $ink->height;
        $clock = new Stopwatch;
        $map = InkMap::of(self::bounds($ink), $width, $height);
        if ($map->isNoise()) {
            return self::noise($width, $height);
        }
        foreach ($decided as $bridge) {
            if ($bridge->kind === BridgeKind::Kept) {
                $map->draw($bridge->moved(1, 1));
            }
        }
        $refused = array_values(
            array_filter($decided, fn (Bridge $bridge): bool => $bridge->kind === BridgeKind::Refused),
        );
        $lineWidth = $map->lineWidth();
        $bridges = (new BridgeFinder($this->gap, $refused))->find($map, $lineWidth);
        $bounds = $map->bounds();
        unset($map);
        $clock->lap('bridges');

        $runs = Runs::ofMarks($bounds, $width, $height, "\0");
        $components = Components::of($runs);
        $clock->lap('regions');

        [$labels, $open, $regions] = $this->number($runs, $components, $bounds);
        $hatching = new Hatching($lineWidth);
        $isHatched = $hatching->isLikely($components);
        unset($runs, $components);
        $clock->lap('labels');
        $solid = (new SolidInk($lineWidth))->areas($bounds, $width, $height);
        $clock->lap('solid black');
        if ($regions === []) {
            // Ink everywhere, or no page to speak of: one region, so that no pixel is left over.
            $labels = str_repeat("\0\1", $width * $height);
            $regions = [1 => new Region(0, 0, 0, intdiv($width, 2), intdiv($height, 2))];
        } else {
            $regions = self::withSolid($labels, $open, $regions, $solid, $width);
            $labels = (new BandGrowth($workers))->grow($labels, $open, $width, $height);
        }
        $clock->lap('growth');
        $flats = new Labels($width, $height, $labels);
        if ($isHatched) {
            [$flats, $regions] = $this->joined($flats, $regions, $hatching);
            $clock->lap('hatching');
        }

        return new FlatsResult($flats, $regions, $bridges->made, $clock->laps(), $bridges->doubtful);
    }

    /**
     * Solid black is a region of its own, where there are numbers left for it.
     *
     * @param  array<int, Region>  $regions
     * @param  list<array{list<array{int, int}>, int}>  $solid
     * @return array<int, Region>
     */
    private static function withSolid(string &$labels, string &$open, array $regions, array $solid, int $width): array
    {
        $next = max([0, ...array_keys($regions)]);
        foreach (array_slice($solid, 0, Labels::MOST - $next) as [$runs, $area]) {
            $word = pack('n', ++$next);
            $longest = [0, 0];
            foreach ($runs as [$from, $to]) {
                $longest = $to - $from > $longest[1] - $longest[0] ? [$from, $to] : $longest;
                for ($at = $from; $at < $to; $at++) {
                    $labels[2 * $at] = $word[0];
                    $labels[2 * $at + 1] = $word[1];
                    $open[$at] = "\0";
                }
            }
            $middle = intdiv($longest[0] + $longest[1], 2);
            $regions[$next] = new Region(0, 0, $area, $middle % $width, intdiv($middle, $width));
        }

        return $regions;
    }

    /** A page of noise is one region: nobody could fill what it falls into. */
    private static function noise(int $width, int $height): FlatsResult
    {
        $region = new Region(0, 0, $width * $height, intdiv($width, 2), intdiv($height, 2));

        return new FlatsResult(
            new Labels($width, $height, str_repeat("\0\1", $width * $height)),
            [1 => $region],
            [],
            [],
            [],
            true,
        );
    }

    /**
     * @param  array<int, Region>  $regions
     * @return array{Labels, array<int, Region>} with slits that shade joined, numbered anew
     */
    private function joined(Labels $labels, array $regions, Hatching $hatching): array
    {
        $joins = $hatching->joins(
            array_map(fn (Region $region): int => $region->area, $regions),
            RegionGraph::of($labels),
        );
        if ($joins === []) {
            return [$labels, $regions];
        }
        $kept = array_values(array_diff(array_keys($regions), array_keys($joins)));
        $number = array_combine($kept, range(1, count($kept)));
        $after = [];
        foreach ($regions as $old => $region) {
            $label = $number[$joins[$old] ?? $old];
            $largest = $after[$label] ?? $region;
            $place = $largest->area >= $region->area ? $largest : $region;
            $after[$label] = new Region(
                0,
                0,
                isset($after[$label]) ? $largest->area + $region->area : $region->area,
                $place->x,
                $place->y,
            );
        }
        ksort($after);
        $data = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $now = $number[$joins[$label] ?? $label];
            $data .= str_repeat(chr($now >> 8).chr($now & 255), $to - $from);
        }

        return [new Labels($labels->width, $labels->height, $data), $after];
    }

    /** @return string what bounds regions, bridges among it: 255, else 0 */
    public function closed(Plane $ink): string
    {
        $map = InkMap::of(self::bounds($ink), $ink->width, $ink->height);
        (new BridgeFinder($this->gap))->find($map, $map->lineWidth());

        return $map->bounds();
    }

    private static function bounds(Plane $ink): string
    {
        return strtr($ink->data, Bytes::identity(), Bytes::threshold(self::BOUND));
    }

    /**
     * @return list<int> of each component, 0 for crumbs and, where there are more than can be named, for the smallest
     */
    private function labelsOf(Runs $runs, Components $components): array
    {
        $thin = $this->thin($runs, $components);
        $kept = array_filter(
            $components->area,
            fn (int $area, int $component): bool => $area >= $this->crumb && ! isset($thin[$component]),
            ARRAY_FILTER_USE_BOTH,
        );
        if (count($kept) > Labels::MOST) {
            arsort($kept);
            $kept = array_slice($kept, 0, Labels::MOST, true);
        }
        $labels = [];
        $next = 0;
        foreach (array_keys($components->area) as $component) {
            $labels[] = isset($kept[$component]) ? ++$next : 0;
        }

        return $labels;
    }

    /**
     * Slits between lines that touch nearly: no wider on the whole than a little more than a pixel, along rows or
     * across them.
     *
     * @return array<int, true> by component
     */
    private function thin(Runs $runs, Components $components): array
    {
        $count = array_fill(0, count($components->area), 0);
        $first = $last = [];
        for ($y = 0; $y < $runs->height; $y++) {
            for ($run = $runs->row[$y]; $run < $runs->row[$y + 1]; $run++) {
                $component = $components->of[$run];
                $count[$component]++;
                $first[$component] ??= $y;
                $last[$component] = $y;
            }
        }
        $thin = [];
        foreach ($components->area as $component => $area) {
            if (
                $area < $this->thin * $count[$component] ||
                ($last[$component] ?? 0) - ($first[$component] ?? 0) + 1 < $this->thin
            ) {
                $thin[$component] = true;
            }
        }

        return $thin;
    }

    /**
     * @return array{string, string, array<int, Region>} labels, what is still open (255), regions by label
     */
    private function number(Runs $runs, Components $components, string $bounds): array
    {
        $labelOf = $this->labelsOf($runs, $components);
        $regions = max([0, ...$labelOf]);

        $longest = $middle = array_fill(0, $regions + 1, 0);
        $labels = '';
        $open = '';
        $at = 0;
        $words = ["\0\0"];
        foreach ($components->of as $run => $component) {
            $from = $runs->from[$run];
            $to = $runs->to[$run];
            $label = $labelOf[$component];
            $length = $to - $from;
            $words[$label] ??= chr($label >> 8).chr($label & 255);
            $labels .= str_repeat("\0", 2 * ($from - $at)).str_repeat($words[$label], $length);
            $open .= str_repeat("\xff", $from - $at).str_repeat($label === 0 ? "\xff" : "\0", $length);
            if ($length > $longest[$label]) {
                $longest[$label] = $length;
                $middle[$label] = $from + ($length >> 1);
            }
            $at = $to;
        }
        $rest = strlen($bounds) - $at;
        $labels .= str_repeat("\0", 2 * $rest);
        $open .= str_repeat("\xff", $rest);
        $list = [];
        foreach ($labelOf as $component => $label) {
            if ($label > 0) {
                $list[$label] = new Region(
                    0,
                    0,
                    $components->area[$component],
                    $middle[$label] % $runs->width,
                    intdiv($middle[$label], $runs->width),
                );
            }
        }

        return [$labels, $open, $list];
    }
}
