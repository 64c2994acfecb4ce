<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Export;

use Awning\Core\Compose\Compositor;
use Awning\Core\Compose\PageStack;
use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Raster\Workers;
use Awning\Core\Sheet\Sheet;

/** Composes a whole page, tile by tile. */
final readonly class SheetPicture
{
    public function __construct(
        private Compositor $compositor = new Compositor,
        private Workers $workers = new OneWorker,
    ) {
    }

    /** @param  ?callable(float): void  $progress  told the share done, 0..1 */
    public function compose(Sheet $sheet, PageStack $stack, ?callable $progress = null): Paint
    {
        $grid = $sheet->grid();
        $places = $grid->all();
        $tiles = $this->workers->each(
            $places,
            function (array $place) use ($sheet, $stack): string {
                $pixels = $this->compositor->compose($stack, new SheetBlock($sheet, $place[0], $place[1]));

                return $pixels->red.$pixels->green.$pixels->blue;
            },
            $progress,
        );
        $at = array_flip(array_map(fn (array $place): string => "$place[0],$place[1]", $places));
        $join = fn (int $plane): string => $grid->join(
            fn (int $column, int $row): string => substr(
                $tiles[$at["$column,$row"]],
                $plane * TileGrid::PIXELS,
                TileGrid::PIXELS,
            ),
        );

        return new Paint(
            $grid->width,
            $grid->height,
            $join(0),
            $join(1),
            $join(2),
            str_repeat("\xff", $grid->width * $grid->height),
        );
    }
}
