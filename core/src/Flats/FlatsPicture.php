<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Raster\Labels;

/** Regions as a picture, each in one colour and without anti-aliasing. */
final readonly class FlatsPicture
{
    /** Quiet colours that stay apart from one another; our own choice. */
    public const COLOURS = [
        [214, 124, 92],
        [118, 160, 154],
        [226, 188, 98],
        [124, 118, 164],
        [176, 202, 132],
        [196, 104, 126],
        [104, 146, 190],
        [232, 204, 172],
        [146, 110, 82],
        [164, 196, 212],
        [206, 150, 190],
        [92, 128, 98],
        [242, 222, 130],
        [130, 86, 104],
        [182, 178, 160],
        [90, 110, 140],
    ];

    /** @param  list<array{int, int, int}>  $colours */
    public function __construct(private array $colours = self::COLOURS)
    {
    }

    /**
     * Neighbours get different colours.
     *
     * @return string the bytes of a PNG file
     */
    public function png(Labels $labels, float $dpi = 0): string
    {
        $graph = RegionGraph::of($labels);
        $regions = array_values(
            array_unique([
                ...$graph->regions(),
                ...array_map(fn (array $span): int => $span[2], array_slice(Labels::spans($labels->data), 0, 1)),
            ]),
        );

        return $this->coloured(
            $labels,
            (new RegionColours(min(255, count($this->colours))))->of($graph, $regions),
            $dpi,
        );
    }

    /**
     * @param  array<int, int>  $colourOf  number of the colour, by region; a region without one is white
     * @param  bool  $seeThrough  whether that white is see-through
     * @return string the bytes of a PNG file
     */
    public function coloured(Labels $labels, array $colourOf, float $dpi = 0, bool $seeThrough = false): string
    {
        $palette = "\xff\xff\xff";
        foreach (array_slice($this->colours, 0, 255) as [$red, $green, $blue]) {
            $palette .= chr($red).chr($green).chr($blue);
        }
        $indices = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $indices .= str_repeat(chr(isset($colourOf[$label]) ? 1 + $colourOf[$label] : 0), $to - $from);
        }

        return (new PngWriter)->indexed(
            $labels->width,
            $labels->height,
            $indices,
            $palette,
            $dpi,
            $seeThrough ? "\0" : '',
        );
    }
}
