<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Brush\Nib;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Flats\Silhouette;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing;
use Awning\Core\Page\InkStroke;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/**
 * The page's ink is the most of the lines of its drawings and of the strokes drawn here; a drawing that covers takes away
 * what lies behind it first. Nothing of it is lost in the sum: each drawing keeps a layer of its own, and strokes are
 * drawn anew from their points.
 */
final class InkLayers
{
    /** @var array<string, StrokeMask> by id */
    private array $masks = [];

    public function __construct(private readonly Sheet $sheet)
    {
    }

    /** Makes the ink anew inside $part of the page, null: all of it. */
    public function make(?Rect $part = null): void
    {
        $drawings = $this->backToFront();
        foreach ($this->sheet->grid()->touching($part ?? $this->sheet->rect()) as [$column, $row]) {
            $tile = null;
            foreach ($drawings as [$id, $drawing]) {
                $tile = self::uncovered($tile, $drawing->place->covers ? $this->sheet->tile(LayerName::cover($id), $column, $row) : null);
                $tile = self::sum($tile, $this->sheet->tile(LayerName::drawing($id), $column, $row));
            }
            foreach ($this->strokesAt(TileGrid::rect($column, $row)) as $mask) {
                $tile = self::sum($tile, $mask);
            }
            $this->sheet->setTile(LayerName::ink(), $column, $row, $tile);
        }
    }

    /**
     * The ink as it would be with a drawing laid. The sheet is not to be used for anything else then.
     *
     * @param  string  $id  of the drawing, new or not
     */
    public function with(string $id, PlacedDrawing $placed): Plane
    {
        if ($this->sheet->isEmpty() || ! $this->sheet->size()->fits($placed->size)) {
            return $placed->lines;
        }
        $this->sheet->put($id, $placed->drawing);
        $this->lay($id, $placed);
        $this->make();

        return $this->whole();
    }

    /** A drawing's lines, and what they hide where it covers. */
    public function lay(string $id, PlacedDrawing $placed): void
    {
        $this->sheet->setLayer(LayerName::drawing($id), $placed->lines->data);
        if ($placed->drawing->place->covers) {
            $this->sheet->setLayer(LayerName::cover($id), (new Silhouette)->of($placed->lines, $placed->size->dpi)->data);
        } else {
            $this->sheet->clearLayer(LayerName::cover($id));
        }
    }

    /** @return list<array{string, Drawing}> the drawings whose lines are ink */
    private function backToFront(): array
    {
        $inked = [];
        foreach ($this->sheet->all(Drawing::class) as $id => $drawing) {
            if ($drawing->isInked()) {
                $inked[] = [(string) $id, $drawing];
            }
        }
        usort($inked, fn (array $a, array $b): int => $a[1]->order <=> $b[1]->order ?: $a[0] <=> $b[0]);

        return $inked;
    }

    public function whole(): Plane
    {
        $size = $this->sheet->size();

        return new Plane($size->width, $size->height, $this->sheet->layer(LayerName::ink()));
    }

    /** Strokes added to the ink there is: it need not be made anew. */
    public function add(string $id, InkStroke $stroke): void
    {
        $mask = $this->mask($id, $stroke);
        foreach ($this->sheet->grid()->touching($mask->bounds) as [$column, $row]) {
            $tile = self::sum($this->sheet->tile(LayerName::ink(), $column, $row), $mask->cut(TileGrid::rect($column, $row)));
            $this->sheet->setTile(LayerName::ink(), $column, $row, $tile);
        }
    }

    /** The lines have changed: the regions are those of the lines before. */
    public function fallBehind(): void
    {
        $size = $this->sheet->size();
        if (! $size->behind) {
            $this->sheet->put(PageSize::KEY, $size->with(behind: true));
        }
    }

    public static function boundsOf(InkStroke $stroke): Rect
    {
        [$left, $top, $right, $bottom] = $stroke->bounds();

        return Rect::bounds((int) floor($left), (int) floor($top), (int) ceil($right), (int) ceil($bottom));
    }

    private static function uncovered(?string $tile, ?string $cover): ?string
    {
        return $tile === null || $cover === null ? $tile : $tile & ~$cover;
    }

    private static function sum(?string $a, ?string $b): ?string
    {
        return $a === null || $b === null ? $a ?? $b : Bytes::most($a, $b);
    }

    /** @return list<string> what the strokes lay on a tile, those that reach it */
    private function strokesAt(Rect $tile): array
    {
        $masks = [];
        foreach ($this->sheet->all(InkStroke::class) as $id => $stroke) {
            if (self::boundsOf($stroke)->intersect($tile)->isEmpty()) {
                continue;
            }
            $mask = $this->mask((string) $id, $stroke)->cut($tile);
            if ($mask !== null) {
                $masks[] = $mask;
            }
        }

        return $masks;
    }

    /** @throws OpRefused when it is more than is drawn in one go */
    private function mask(string $id, InkStroke $stroke): StrokeMask
    {
        try {
            return $this->masks[$id] ??= Nib::draw($stroke, $this->sheet->rect());
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }
}
