<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Page;
use App\Models\SeriesBrush;
use App\Models\SeriesMood;
use App\Models\SeriesSetup;

/** A change of columns of one row, whoever changed it before. */
trait RowChange
{
    /**
     * @param  array<string, mixed>  $columns
     * @return list<array{string, int, array<string, mixed>, array<string, mixed>}> as the series' journal keeps it
     */
    private static function changed(
        string $kind,
        Page|SeriesBrush|SeriesMood|SeriesSetup $of,
        array $columns,
    ): array {
        /** @var Page|SeriesBrush|SeriesMood|SeriesSetup $row */
        $row = $of->newQuery()->lockForUpdate()->findOrFail($of->id);
        $before = $row->toRecord();
        $row->forceFill($columns)->save();

        return [[$kind, $row->id, $before, $row->toRecord()]];
    }
}
