<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\Series;
use App\Models\SeriesBrush;
use App\Models\SeriesLight;
use App\Models\SeriesMood;
use App\Models\SeriesSetup;
use App\Store\NotKept;
use App\Values\Scalar;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Page\Data;
use Awning\Core\Page\Setup\Setup;

/** Puts records of a palette's journal in place: as they were before a change, or after it. */
final class PaletteRecords
{
    /**
     * @param  list<array{string, int, ?array<string, mixed>}>  $records  kind, id, and what it becomes; null: it was
     *     not there
     * @return list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}> kind, id, before, after
     */
    public static function put(Series $series, array $records): array
    {
        $figures = array_column(array_filter($records, fn (array $record): bool => $record[0] === 'figure'), 1);
        $before = array_map(
            fn (array $record): array => self::row($series, $record[0], $record[1])->toRecord(),
            $records,
        );
        // Out of the way first: no two may stand at one depth, not even meanwhile.
        Figure::query()
            ->whereKey($figures)
            ->increment('depth', 1 + Scalar::int(Figure::query()->where('series_id', $series->id)->max('depth')));
        $done = [];
        foreach ($records as $i => [$kind, $id, $to]) {
            $row = self::row($series, $kind, $id);
            $row->forceFill(self::columns($to ?? ['retired' => true] + $before[$i]));
            if (
                $row instanceof Material || $row instanceof PaletteVariant ||
                $row instanceof SeriesLight || $row instanceof SeriesMood
            ) {
                // Never an old version again: whoever still shows that one has not seen this.
                $row->version = 1 + (int) ($before[$i]['version'] ?? 0);
            }
            $row->save();
            $done[] = [$kind, $id, $before[$i], $row->toRecord()];
        }

        return $done;
    }

    /**
     * Reads what was written once more: a record that could not be read would shut every page of the series.
     *
     * @param  list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}>  $records  kind, id, before, after
     *
     * @throws NotKept
     */
    public static function readBack(Series $series, array $records): void
    {
        try {
            foreach ($records as [$kind, $id]) {
                $row = self::row($series, $kind, $id);
                match (true) {
                    $row instanceof Series => $row->refresh()->rule(),
                    $row instanceof Material => $row->tones($series->rule()),
                    $row instanceof SeriesLight => $row->plan(),
                    $row instanceof SeriesMood => $row->mood(),
                    $row instanceof SeriesSetup => Setup::fromList($row->passes),
                    $row instanceof SeriesBrush => BrushBox::own(new Data($row->brush)),
                    default => null,
                };
            }
        } catch (\InvalidArgumentException|\RangeException $error) {
            report($error);
            throw new NotKept(
                'This change could not be kept as it was made, so nothing was changed. Reload and try again.',
                0,
                $error,
            );
        }
    }

    private static function row(
        Series $series,
        string $kind,
        int $id,
    ): Figure|Material|Page|PaletteVariant|Series|SeriesBrush|SeriesLight|SeriesMood|SeriesSetup {
        return match ($kind) {
            'figure' => Figure::query()->findOrFail($id),
            'material' => Material::query()->findOrFail($id),
            'page' => Page::query()->where('series_id', $series->id)->findOrFail($id),
            'brush' => SeriesBrush::query()->findOrFail($id),
            'setup' => SeriesSetup::query()->findOrFail($id),
            'light' => SeriesLight::query()->findOrFail($id),
            'mood' => SeriesMood::query()->findOrFail($id),
            'variant' => PaletteVariant::query()->findOrFail($id),
            default => $series,
        };
    }

    /**
     * @param  array<string, mixed>  $record
     * @return array<string, mixed>
     */
    private static function columns(array $record): array
    {
        unset($record['version']);
        if (isset($record['figure'])) {
            $record['figure_id'] = $record['figure'];
            unset($record['figure']);
        }

        return $record;
    }
}
