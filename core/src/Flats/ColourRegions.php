<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Runs;

/** Makes regions of flat colours: each connected area of one colour is one. */
final readonly class ColourRegions
{
    /**
     * @param  array<int, Region>  $regions  unfilled, by label
     * @param  array<int, int>  $colours  number of the colour, from 0, by label
     */
    private function __construct(public Labels $labels, public array $regions, public array $colours)
    {
    }

    /**
     * @param  Plane  $ink  of the page; regions count the pixels that are free of it
     *
     * @throws \RangeException when there are more areas than regions can be
     */
    public static function of(TakenFlats $flats, Plane $ink): self
    {
        $bounds = strtr($ink->data, Bytes::identity(), Bytes::threshold(FlatsFinder::BOUND));
        $spans = $regions = $colours = [];
        $next = 1;
        foreach (array_keys($flats->colours) as $colour) {
            $runs = Runs::of($flats->index, $flats->width, $flats->height, chr($colour + 1));
            $components = Components::of($runs);
            if ($next + count($components->area) > Labels::MOST) {
                throw new \RangeException(
                    'There are more areas of colour than can be regions. Is this a flat picture, without shading?',
                );
            }
            foreach ($components->of as $run => $component) {
                [$from, $to] = [$runs->from[$run], $runs->to[$run]];
                $label = $next + $component;
                $spans[$from] = [$to, $label];
                $free = substr_count($bounds, "\0", $from, $to - $from);
                $known = $regions[$label] ?? null;
                $middle = ($from + $to) >> 1;
                if ($known === null || $free > $known[1]) {
                    $regions[$label] = [($known[0] ?? 0) + $free, $free, $middle];
                } else {
                    $regions[$label][0] += $free;
                }
                $colours[$label] = $colour;
            }
            $next += count($components->area);
        }
        ksort($spans);
        $labels = '';
        foreach ($spans as $from => [$to, $label]) {
            $labels .= str_repeat(pack('n', $label), $to - $from);
        }

        return new self(
            new Labels($flats->width, $flats->height, $labels),
            array_map(
                fn (array $region): Region => new Region(
                    0,
                    0,
                    $region[0],
                    $region[2] % $flats->width,
                    intdiv($region[2], $flats->width),
                ),
                $regions,
            ),
            $colours,
        );
    }
}
