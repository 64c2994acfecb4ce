<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Page;

/** A change of what one page takes from its series. */
trait PageChange
{
    /**
     * @param  array{version_id: ?int, follows: ?list<int>}|array{variant_id: ?int}|array{plan_id: ?int}  $columns
     * @return list<array{string, int, array<string, mixed>, array<string, mixed>}> as the series' journal keeps it
     */
    private static function chosen(Page $page, array $columns): array
    {
        $row = Page::query()->lockForUpdate()->findOrFail($page->id);
        $before = $row->toRecord();
        $row->forceFill($columns)->save();

        return [['page', $row->id, $before, $row->toRecord()]];
    }
}
