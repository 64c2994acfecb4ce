<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Bridge;
use Awning\Core\Page\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;
use Awning\Core\Raster\Stopwatch;

/** Lays flats: from the ink's coverage to the regions it bounds, each grown under the lines to its neighbours. */
final readonly class FlatsFinder
{
    /** Coverage from which a pixel bounds a region. Below half, so that thin and faint lines still do. */
    private const BOUND = 100;

    public const GAP_AT_300_DPI = 12;

    /**
     * @param  int  $gap  the longest gap in a line that a bridge closes, in pixels; 0 for none
     * @param  int  $crumb  free areas of fewer pixels go to a neighbour
     */
    public function __construct(private int $gap = self::GAP_AT_300_DPI, private int $crumb = 12)
    {
    }

    /** The usual gap and crumb at a resolution; a page without one is taken as 300 dpi. */
    public static function forDpi(float $dpi): self
    {
        $scale = $dpi > 0 ? $dpi / 300 : 1;

        return new self((int) max(4, round(self::GAP_AT_300_DPI * $scale)), (int) max(6, round(12 * $scale * $scale)));
    }

    public function find(Plane $ink): FlatsResult
    {
        $width = $ink->width;
        $height = $ink->height;
        $clock = new Stopwatch;
        $bounds = self::bounds($ink);
        $bridges = $this->bridge($bounds, $width, $height);
        $clock->lap('bridges');

        $runs = Runs::of($bounds, $width, $height, "\0");
        $components = Components::of($runs);
        $clock->lap('regions');

        [$labels, $open, $regions] = $this->number($runs, $components, $bounds);
        $clock->lap('labels');
        if ($regions === []) {
            // Ink everywhere, or no page to speak of: one region, so that no pixel is left over.
            $labels = str_repeat("\0\1", $width * $height);
            $regions = [1 => new Region(0, 0, 0, intdiv($width, 2), intdiv($height, 2))];
        } else {
            (new TrapGrowth)->grow($labels, $open, $width, $height);
        }
        $clock->lap('growth');

        return new FlatsResult(new Labels($width, $height, $labels), $regions, $bridges, $clock->laps());
    }

    /** @return string what bounds regions, bridges among it: 255, else 0 */
    public function closed(Plane $ink): string
    {
        $bounds = self::bounds($ink);
        $this->bridge($bounds, $ink->width, $ink->height);

        return $bounds;
    }

    private static function bounds(Plane $ink): string
    {
        return strtr($ink->data, Bytes::identity(), Bytes::threshold(self::BOUND));
    }

    /** @return list<Bridge> */
    private function bridge(string &$bounds, int $width, int $height): array
    {
        if ($this->gap < 1) {
            return [];
        }
        $stride = $width + 2;
        $margin = str_repeat("\0", $stride);
        $padded = $margin."\0".implode("\0\0", str_split($bounds, max(1, $width)))."\0".$margin;
        $runs = Runs::of($padded, $stride, $height + 2, "\xff");
        $found = (new BridgeFinder($this->gap))->find($padded, $stride, $runs);
        $bridges = [];
        foreach ($found as $bridge) {
            $bridge = new Bridge($bridge->x1 - 1, $bridge->y1 - 1, $bridge->x2 - 1, $bridge->y2 - 1);
            foreach ($bridge->pixels() as [$x, $y]) {
                if ($x >= 0 && $y >= 0 && $x < $width && $y < $height) {
                    $bounds[$y * $width + $x] = "\xff";
                }
            }
            $bridges[] = $bridge;
        }

        return $bridges;
    }

    /**
     * @return array{string, string, array<int, Region>} labels, what is still open (255), regions by label
     */
    private function number(Runs $runs, Components $components, string $bounds): array
    {
        $crumb = $this->crumb;
        do {
            $labelOf = [];
            $regions = 0;
            foreach ($components->area as $component => $area) {
                $labelOf[$component] = $area >= $crumb ? ++$regions : 0;
            }
            $crumb *= 2;
        } while ($regions > Labels::MOST);

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
                $list[$label] = new Region(0, 0, $components->area[$component], $middle[$label] % $runs->width, intdiv($middle[$label], $runs->width));
            }
        }

        return [$labels, $open, $list];
    }
}
