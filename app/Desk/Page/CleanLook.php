<?php

declare(strict_types=1);

namespace App\Desk\Page;

use App\Models\Original;
use App\Models\Page;
use App\Store\OriginalViews;
use App\Store\PageStore;
use App\Store\Pyramid;
use Awning\Core\Codec\ImageReader;
use Awning\Core\Ink\Levels;
use Awning\Core\Ink\ScanCleaner;
use Awning\Core\Page\Drawing\CleanSettings;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\LayerName;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/**
 * What a drawing would look like cleaned otherwise, quick enough to watch while a slider moves. What works on the lines
 * is tried on the tiles in view; what works on the paper, on the small picture of the whole original.
 */
final readonly class CleanLook
{
    public function __construct(private Page $page, private string $id, private Drawing $drawing)
    {
    }

    /** Whether the paper has to be looked at again, not only the lines. */
    public function isOfPaper(CleanSettings $settings): bool
    {
        $now = $this->drawing->clean;

        return $settings->flatten !== $now->flatten ||
            $settings->colours !== $now->colours ||
            $settings->crop !== $now->crop;
    }

    /**
     * @param  int  $level  each pixel is a square of 2^level of the page's
     * @param  Rect  $view  pixels of that level, on the borders of tiles
     * @return Plane the ink as large as the view
     */
    public function inView(CleanSettings $settings, int $level, Rect $view): Plane
    {
        $pyramid = new Pyramid(new PageStore($this->page), $level);
        $columns = intdiv($view->width, TileGrid::SIZE);
        $data = '';
        for ($row = 0, $rows = intdiv($view->height, TileGrid::SIZE); $row < $rows; $row++) {
            $tiles = [];
            for ($column = 0; $column < $columns; $column++) {
                $tiles[] = str_split(
                    $pyramid->tile(
                        LayerName::scan($this->id),
                        intdiv($view->x, TileGrid::SIZE) + $column,
                        intdiv($view->y, TileGrid::SIZE) + $row,
                    ) ?? str_repeat("\0", TileGrid::PIXELS),
                    TileGrid::SIZE,
                );
            }
            for ($line = 0; $line < TileGrid::SIZE; $line++) {
                $data .= implode('', array_column($tiles, $line));
            }
        }
        $small = $settings->reduced(1 << $level);
        $levels =
            $settings->paper === null || $settings->ink === null
                ? new Levels((int) $this->drawing->found['paper'], (int) $this->drawing->found['ink'])
                : new Levels($settings->paper, $settings->ink);

        return ScanCleaner::finished(
            ScanCleaner::inked(new Plane($view->width, $view->height, $data), $levels, $small),
            $small,
        );
    }

    /** @return ?Plane the ink as large as the small picture of the original, unturned; null when there is none */
    public function whole(CleanSettings $settings): ?Plane
    {
        $original = Original::query()->where('page_id', $this->page->id)->find($this->drawing->original);
        $jpeg = $original === null ? null : (new OriginalViews)->bytes($original, $this->drawing->picture);
        if ($jpeg === null) {
            return null;
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'awning');
        try {
            file_put_contents($file, $jpeg);
            $picture = (new ImageReader)->read($file);
        } finally {
            @unlink($file);
        }

        return (new ScanCleaner)->clean(
            $picture->channels(),
            $settings->reduced($this->drawing->width / $picture->width())->unturned(),
        )->ink;
    }
}
