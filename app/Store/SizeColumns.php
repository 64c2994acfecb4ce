<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Page;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\LineColouring;
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

    public function some(int $page, array $keys): array
    {
        return $keys === [] ? [] : $this->all($page);
    }

    public function find(int $page, int|string $key): ?PageSize
    {
        /**
         * @var (\stdClass&object{width: ?int, height: int, dpi: float, behind: int, lines: ?string,
         *     mood: string, mood_plan: ?int, mood_variant: ?int})|null $row
         */
        $row = Page::query()
            ->toBase()
            ->where('id', $page)
            ->first(['width', 'height', 'dpi', 'behind', 'lines', 'mood', 'mood_plan', 'mood_variant']);

        return $row === null || $row->width === null
            ? null
            : new PageSize(
                $row->width,
                $row->height,
                (float) $row->dpi,
                (bool) $row->behind,
                self::lines($row->lines),
                $row->mood,
                $row->mood_plan,
                $row->mood_variant,
            );
    }

    public function put(int $page, array $records): void
    {
        $size = $records[PageSize::KEY] ?? null;
        if ($size instanceof PageSize) {
            Page::query()
                ->toBase()
                ->where('id', $page)
                ->update([
                    'width' => $size->width,
                    'height' => $size->height,
                    'dpi' => $size->dpi,
                    'behind' => $size->behind,
                    'lines' => json_encode($size->lines->toData(), JSON_THROW_ON_ERROR),
                    'mood' => $size->mood,
                    'mood_plan' => $size->moodPlan,
                    'mood_variant' => $size->moodVariant,
                ]);
        }
    }

    public function remove(int $page, array $keys): void
    {
        if ($keys === []) {
            return;
        }
        Page::query()
            ->toBase()
            ->where('id', $page)
            ->update([
                'width' => null,
                'height' => null,
                'dpi' => null,
                'behind' => false,
                'lines' => null,
                'mood' => '',
                'mood_plan' => null,
                'mood_variant' => null,
            ]);
    }

    private static function lines(?string $json): LineColouring
    {
        return $json === null
            ? new LineColouring
            : LineColouring::fromData(new Data((array) json_decode($json, true, flags: JSON_THROW_ON_ERROR)));
    }
}
