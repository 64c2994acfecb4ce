<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Pass\PaintContent;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Pass\Scope;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** Hangs a coloured picture over the page, as a pass of free paint. */
final readonly class LayPicture implements Op
{
    /** @param  Paint  $picture  of the page's size */
    public function __construct(private string $id, private string $name, private Paint $picture)
    {
    }

    public static function kind(): string
    {
        return 'picture.lay';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The picture itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return ['id' => $this->id, 'name' => $this->name];
    }

    public function title(): string
    {
        return "Lay $this->name";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $grid = $sheet->grid();
        if ($this->picture->width !== $grid->width || $this->picture->height !== $grid->height) {
            throw new OpRefused('The picture does not fit the page.');
        }
        $pass = new PassSpec($this->name, 0, new PaintContent, Scope::page());
        (new AddPass($this->id, $pass))->apply($sheet);
        $this->lay($sheet, $pass->layer($this->id), $grid);
    }

    private function lay(Sheet $sheet, LayerName $layer, TileGrid $grid): void
    {
        foreach ($grid->all() as [$column, $row]) {
            $tile = '';
            foreach (
                [$this->picture->red, $this->picture->green, $this->picture->blue, $this->picture->alpha] as $plane
            ) {
                $tile .= Bytes::crop($plane, $grid->width, $grid->height, TileGrid::rect($column, $row), 1);
            }
            if (strspn($tile, "\0", 3 * TileGrid::PIXELS) !== TileGrid::PIXELS) {
                $sheet->setTile($layer, $column, $row, $tile);
            }
        }
    }
}
