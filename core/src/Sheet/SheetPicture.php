<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\PageStack;
use Awning\Core\Raster\Paint;

/** Composes a whole page, tile by tile. */
final readonly class SheetPicture
{
    public function __construct(private Compositor $compositor = new Compositor)
    {
    }

    /** @param  ?callable(float): void  $progress  told the share done, 0..1 */
    public function compose(Sheet $sheet, PageStack $stack, ?callable $progress = null): Paint
    {
        $grid = $sheet->grid();
        /** @var list<array<string, string>> $planes */
        $planes = [[], [], []];
        $done = 0;
        foreach ($grid->all() as [$column, $row]) {
            $pixels = $this->compositor->compose($stack, new SheetBlock($sheet, $column, $row));
            foreach ([$pixels->red, $pixels->green, $pixels->blue] as $i => $plane) {
                $planes[$i]["$column,$row"] = $plane;
            }
            $done++;
            if ($progress !== null && $column === $grid->columns - 1) {
                $progress($done / ($grid->columns * $grid->rows));
            }
        }
        $join = function (int $plane) use ($planes, $grid): string {
            return $grid->join(fn (int $column, int $row): ?string => $planes[$plane]["$column,$row"] ?? null);
        };

        return new Paint($grid->width, $grid->height, $join(0), $join(1), $join(2), str_repeat("\xff", $grid->width * $grid->height));
    }
}
