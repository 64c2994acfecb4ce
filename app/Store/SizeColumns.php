<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Record;

/** The one record of a page's size, kept with the page itself. */
final readonly class SizeColumns implements RecordKeeper
{
    public function all(int $page): array
    {
        $size = $this->find($page, PageSize::KEY);

        return $size === null ? [] : [PageSize::KEY => $size];
    }

    public function find(int $page, int|string $key): ?PageSize
    {
        $row = Page::query()->toBase()->where('id', $page)->first(['width', 'height', 'dpi', 'paper', 'ink']);

        return $row === null || $row->width === null ? null : new PageSize($row->width, $row->height, (float) $row->dpi, $row->paper, $row->ink);
    }

    public function put(int $page, array $records): void
    {
        $size = $records[PageSize::KEY] ?? null;
        if ($size instanceof Record) {
            Page::query()->toBase()->where('id', $page)->update($size->toData());
        }
    }

    public function remove(int $page, array $keys): void
    {
        if ($keys === []) {
            return;
        }
        Page::query()->toBase()->where('id', $page)->update(['width' => null, 'height' => null, 'dpi' => null, 'paper' => null, 'ink' => null]);
    }
}
