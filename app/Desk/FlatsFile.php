<?php

declare(strict_types=1);

namespace App\Desk;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Tone;
use Awning\Core\Flats\FlatsPicture;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\Sheet;

/** The flats alone: every pixel exactly the base of its material, nothing smoothed; what is unfilled is see-through. */
final readonly class FlatsFile
{
    /** Colours of a PNG with a palette; the first is for what is unfilled. */
    private const MOST = 256;

    public function __construct(private PageMoment $moment)
    {
    }

    /** @return string the bytes of a PNG: with a palette, or of full colour where there are more materials than fit in one */
    public function png(): string
    {
        $sheet = new Sheet($this->moment->page);
        $size = $sheet->size();
        $labels = new Labels($size->width, $size->height, $sheet->layer(LayerName::flats()));
        $materials = array_filter(array_map(fn (Region $region): int => $region->material, $sheet->all(Region::class)));
        $used = array_values(array_unique($materials));
        if (count($used) < self::MOST) {
            $index = array_flip($used);

            return (new FlatsPicture(array_map($this->base(...), $used)))->coloured($labels, array_map(fn (int $material): int => $index[$material], $materials), $size->dpi, true);
        }
        $pixels = '';
        foreach (Labels::spans($labels->data) as [$from, $to, $label]) {
            $colour = isset($materials[$label]) ? $this->base($materials[$label]) : [255, 255, 255];
            $pixels .= str_repeat(pack('C3', ...$colour), $to - $from);
        }

        return (new PngWriter)->rgb($size->width, $size->height, $pixels, $size->dpi);
    }

    /** @return array{int, int, int} red, green and blue */
    private function base(int $material): array
    {
        $colour = $this->moment->palette->materials[$material][Tone::Base->value] ?? 0xFFFFFF;

        return [$colour >> 16, $colour >> 8 & 255, $colour & 255];
    }
}
