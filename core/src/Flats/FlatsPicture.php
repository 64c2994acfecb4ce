<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Raster\Labels;

/** Regions as a picture, each in one colour and without anti-aliasing; colours repeat when there are more regions. */
final readonly class FlatsPicture
{
    /** Quiet colours that stay apart from one another; our own choice. */
    public const COLOURS = [
        [214, 124, 92], [118, 160, 154], [226, 188, 98], [124, 118, 164], [176, 202, 132], [196, 104, 126], [104, 146, 190], [232, 204, 172],
        [146, 110, 82], [164, 196, 212], [206, 150, 190], [92, 128, 98], [242, 222, 130], [130, 86, 104], [182, 178, 160], [90, 110, 140],
    ];

    /** @param  list<array{int, int, int}>  $colours */
    public function __construct(private array $colours = self::COLOURS)
    {
    }

    /** @return string the bytes of a PNG file */
    public function png(Labels $labels, float $dpi = 0): string
    {
        $count = min(255, count($this->colours));
        $palette = "\xff\xff\xff";
        foreach (array_slice($this->colours, 0, $count) as [$red, $green, $blue]) {
            $palette .= chr($red).chr($green).chr($blue);
        }
        $indices = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $indices .= str_repeat(chr($label === 0 ? 0 : 1 + ($label - 1) % $count), $to - $from);
        }

        return (new PngWriter)->indexed($labels->width, $labels->height, $indices, $palette, $dpi);
    }
}
