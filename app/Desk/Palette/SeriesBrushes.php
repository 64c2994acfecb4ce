<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Series;
use App\Models\SeriesBrush;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Page\Data;

/**
 * The brushes there are for a series: those that lie ready, and its own.
 *
 * @phpstan-import-type BoxedBrush from BrushBox
 */
final readonly class SeriesBrushes
{
    private const OWN = 'made for this series';

    public function __construct(private Series $series)
    {
    }

    /** @return list<BoxedBrush> id 0: it lies ready */
    public function toClient(): array
    {
        /** @var list<SeriesBrush> $own */
        $own = SeriesBrush::living()->where('series_id', $this->series->id)->orderBy('id')->get()->all();

        return [
            ...BrushBox::all(),
            ...array_map(
                fn (SeriesBrush $row): array => [
                    'id' => $row->id,
                    'name' => $row->name,
                    'what' => self::OWN,
                    ...BrushBox::own(new Data($row->brush)),
                ],
                $own,
            ),
        ];
    }
}
