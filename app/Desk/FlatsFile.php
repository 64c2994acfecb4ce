<?php

declare(strict_types=1);

namespace App\Desk;

use Awning\Core\Codec\PngWriter;
use Awning\Core\Colour\Tone;
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
        $materials = array_filter(array_map(fn (Region $region): int => $region->material, $sheet->all(Region::class)));
        $used = array_values(array_unique($materials));
        $colours = array_map($this->base(...), $used);
        $spans = Labels::spans($sheet->layer(LayerName::flats()));
        if (count($used) < self::MOST) {
            $index = array_flip($used);
            $pixels = '';
            foreach ($spans as [$from, $to, $label]) {
                $pixels .= str_repeat(chr(isset($materials[$label]) ? 1 + $index[$materials[$label]] : 0), $to - $from);
            }

            return (new PngWriter)->indexed($size->width, $size->height, $pixels, "\xff\xff\xff".implode('', $colours), $size->dpi, "\0");
        }
        $of = array_combine($used, $colours);
        $pixels = '';
        foreach ($spans as [$from, $to, $label]) {
            $pixels .= str_repeat($of[$materials[$label] ?? 0] ?? "\xff\xff\xff", $to - $from);
        }

        return (new PngWriter)->rgb($size->width, $size->height, $pixels, $size->dpi);
    }

    /** @return string three bytes */
    private function base(int $material): string
    {
        $colour = $this->moment->palette->materials[$material][Tone::Base->value] ?? 0xFFFFFF;

        return chr($colour >> 16).chr($colour >> 8 & 255).chr($colour & 255);
    }
}
