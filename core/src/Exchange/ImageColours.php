<?php

declare(strict_types=1);

namespace Awning\Core\Exchange;

use Awning\Core\Colour\ColourShare;
use Awning\Core\Colour\Tone;
use Awning\Core\Proof\NamedColour;

/** Between pictures and palettes: colours that become materials, tones that colours are held against. */
final class ImageColours
{
    /**
     * @param  list<ColourShare>  $colours
     *
     * @throws BrokenPalette when there is none
     */
    public static function book(array $colours): PaletteBook
    {
        if ($colours === []) {
            throw new BrokenPalette('Nothing is opaque in this picture, so it has no colours.');
        }
        $materials = [];
        foreach ($colours as $i => $colour) {
            $materials[] = new PaletteMaterial('colour '.($i + 1), [Tone::Base->value => $colour->colour]);
        }

        return new PaletteBook([new PaletteFigure('', $materials)]);
    }

    /** @return non-empty-list<NamedColour> every tone but lines, which are no areas; all when there is nothing else */
    public static function tones(PaletteBook $book): array
    {
        $areas = array_filter($book->rows(), fn (PaletteRow $row): bool => $row->tone !== Tone::Line) ?: $book->rows();
        $named = array_map(
            fn (PaletteRow $row): NamedColour => new NamedColour($row->title(), $row->colour),
            array_values($areas),
        );

        return $named !== [] ? $named : throw new BrokenPalette('There is no colour in this palette.');
    }
}
