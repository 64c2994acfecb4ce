<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeRaster;
use Awning\Core\Compose\Pixels;
use Awning\Core\Compose\StrokeLaying;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\FactKind;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\PassFact;
use Awning\Core\Sheet\Sheet;

/** One stroke of pen or eraser in a pass. */
final readonly class Stroke implements Op
{
    /**
     * @param  ?array{int, int, int}  $rgb  the paint's colour; only a paint pass takes one
     * @param  ?PassFact  $make  the pass to add when it is not there yet: picking a tone is enough to paint in it
     */
    public function __construct(
        private string $pass,
        private Path $path,
        private Brush $brush,
        private bool $erase = false,
        private ?array $rgb = null,
        private ?PassFact $make = null,
    ) {
    }

    public function title(): string
    {
        return $this->erase ? 'Erase' : 'Paint';
    }

    public function apply(Sheet $sheet): void
    {
        $page = $sheet->rect();
        $fact = $sheet->fact(FactKind::Pass, $this->pass);
        $pass = $fact !== null ? PassFact::fromArray($fact) : $this->make;
        if ($pass === null) {
            throw new OpRefused('The pass is gone. Pick a tone or another pass and paint again.');
        }
        if ($pass->isPaint() && ! $this->erase && $this->rgb === null) {
            throw new OpRefused('Pick a colour to paint with.');
        }
        $mask = (new StrokeRaster)->draw($this->path, $this->brush, $page);
        if ($mask->bounds->isEmpty()) {
            throw new OpRefused('The stroke lies off the page.');
        }
        if ($fact === null) {
            (new AddPass($this->pass, $pass))->apply($sheet);
        }
        $layer = $pass->layer($this->pass);
        $laying = new StrokeLaying;
        foreach ($sheet->grid()->touching($mask->bounds) as [$column, $row]) {
            $stroke = $mask->cut(TileGrid::rect($column, $row));
            if ($stroke === null) {
                continue;
            }
            $tile = $sheet->bytes($layer, $column, $row);
            $sheet->setTile($layer, $column, $row, $pass->isPaint()
                ? $this->onPaint($laying, $tile, $stroke)
                : ($this->erase
                    ? $laying->remove($tile, $stroke, $this->brush->opacity)
                    : $laying->add($tile, $stroke, $this->brush->opacity)));
        }
    }

    private function onPaint(StrokeLaying $laying, string $tile, string $stroke): string
    {
        [$red, $green, $blue, $alpha] = str_split($tile, TileGrid::PIXELS);
        if ($this->erase) {
            return $red.$green.$blue.$laying->remove($alpha, $stroke, $this->brush->opacity);
        }
        $pixels = $laying->paint(new Pixels(TileGrid::PIXELS, $red, $green, $blue, $alpha), $stroke, $this->rgb ?? [0, 0, 0], $this->brush->opacity);

        return $pixels->red.$pixels->green.$pixels->blue.$pixels->alphas();
    }
}
