<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Page;
use App\Models\Series;

/** A part of a series that a window shows by itself. */
enum SeriesPart: string
{
    case Palette = 'palette';
    case Variants = 'variants';
    case Versions = 'versions';
    case Setups = 'setups';
    case Brushes = 'brushes';
    case Moods = 'moods';

    /**
     * @param  ?Page  $page  the one that shows it, for the palette: it may have a light and a variant of its own
     * @return array<array-key, mixed>
     */
    public function toClient(Series $series, ?Page $page): array
    {
        return match ($this) {
            self::Palette => (new SeriesPalette($series, $page))->toClient(),
            self::Variants => (new PaletteVariants($series))->toClient(),
            self::Versions => (new PaletteVersions($series))->toClient(),
            self::Setups => (new SeriesSetups($series))->toClient(),
            self::Brushes => (new SeriesBrushes($series))->toClient(),
            self::Moods => (new SeriesMoods($series))->toClient(),
        };
    }
}
