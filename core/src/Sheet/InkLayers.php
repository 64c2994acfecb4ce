<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Brush\Nib;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Flats\Silhouette;
use Awning\Core\Ink\PlacedDrawing;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\InkStroke;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/**
 * The page's ink is the most of the lines of its drawings and of the strokes drawn here; a drawing that covers takes
 * away what lies behind it first. Nothing of it is lost in the sum: each drawing keeps a layer of its own, and strokes
 * are drawn anew from their points.
 */
final readonly class InkLayers
{
    /** Places of a line's course in one rectangle of what it reaches. */
    private const STRETCH = 8;

    public function __construct(private Sheet $sheet)
    {
    }

    /** Makes the ink anew inside parts of the page; none: all of it. */
    public function make(Rect ...$parts): void
    {
        $parts = array_values($parts === [] ? [$this->sheet->rect()] : $parts);
        $drawings = $this->backToFront();
        $pieces = $this->piecesOf($parts);
        $strokes = $this->strokesIn(array_column($pieces, 2));
        foreach ($pieces as [$column, $row, $piece]) {
            $ink = null;
            foreach ($drawings as [$id, $drawing]) {
                $ink = self::uncovered(
                    $ink,
                    $drawing->place->covers ? $this->cut(LayerName::cover($id), $column, $row, $piece) : null,
                );
                $ink = self::sum($ink, $this->cut(LayerName::drawing($id), $column, $row, $piece));
            }
            foreach ($strokes as [$stroke, $bounds]) {
                $ink = self::withStroke($ink, $stroke, $bounds, $piece);
            }
            $this->sheet->setTile(
                LayerName::ink(),
                $column,
                $row,
                self::pasted(
                    $this->sheet->tile(LayerName::ink(), $column, $row),
                    $ink,
                    TileGrid::rect($column, $row),
                    $piece,
                ),
            );
        }
    }

    private function cut(LayerName $layer, int $column, int $row, Rect $piece): ?string
    {
        $bytes = $this->sheet->tile($layer, $column, $row);
        $tile = TileGrid::rect($column, $row);

        return $bytes === null
            ? null
            : Bytes::crop(
                $bytes,
                $tile->width,
                $tile->height,
                new Rect($piece->x - $tile->x, $piece->y - $tile->y, $piece->width, $piece->height),
                1,
            );
    }

    /** The tile with a piece of it replaced. */
    private static function pasted(?string $bytes, ?string $ink, Rect $tile, Rect $piece): ?string
    {
        if ($piece->width === $tile->width && $piece->height === $tile->height) {
            return $ink;
        }
        $bytes ??= str_repeat("\0", TileGrid::PIXELS);
        $ink ??= str_repeat("\0", $piece->width * $piece->height);
        for ($y = 0; $y < $piece->height; $y++) {
            $bytes = substr_replace(
                $bytes,
                substr($ink, $y * $piece->width, $piece->width),
                ($piece->y - $tile->y + $y) * $tile->width + $piece->x - $tile->x,
                $piece->width,
            );
        }

        return Bytes::isNothing($bytes) ? null : $bytes;
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
            $this->sheet->setLayer(
                LayerName::cover($id),
                (new Silhouette)->of($placed->lines, $placed->size->dpi)->data,
            );
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
        return $this->sheet->ink();
    }

    /** Strokes added to the ink there is: it need not be made anew. */
    public function add(InkStroke $stroke): void
    {
        $mask = self::mask($stroke, $this->sheet->rect());
        foreach ($this->sheet->grid()->touching($mask->bounds) as [$column, $row]) {
            $tile = self::sum(
                $this->sheet->tile(LayerName::ink(), $column, $row),
                $mask->cut(TileGrid::rect($column, $row)),
            );
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

    /**
     * Where a line goes, as small rectangles along its course: what it reaches is little of the rectangle around it.
     *
     * @return list<Rect>
     */
    public static function reachOf(InkStroke $stroke): array
    {
        $course = Nib::course($stroke);
        $parts = [];
        // Each shares a place with the next, so that no piece of the course lies between two.
        for ($i = 0; $i === 0 || $i < count($course) - 1; $i += self::STRETCH) {
            /** @var non-empty-list<array{float, float, float}> $places */
            $places = array_slice($course, $i, self::STRETCH + 1);
            [$xs, $ys, $reach] = [
                array_column($places, 0),
                array_column($places, 1),
                1 + max(array_column($places, 2)),
            ];
            $parts[] = Rect::bounds(
                (int) floor(min($xs) - $reach),
                (int) floor(min($ys) - $reach),
                (int) ceil(max($xs) + $reach),
                (int) ceil(max($ys) + $reach),
            );
        }

        return $parts;
    }

    private static function boundsOf(InkStroke $stroke): Rect
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

    /**
     * @param  list<Rect>  $parts
     * @return array<string, array{int, int, Rect}> column and row of the tiles that the parts reach, and what of each,
     *     as one rectangle
     */
    private function piecesOf(array $parts): array
    {
        $pieces = [];
        foreach ($parts as $part) {
            foreach ($this->sheet->grid()->touching($part) as [$column, $row]) {
                $inside = $part->intersect(TileGrid::rect($column, $row));
                $pieces["$column,$row"] = [
                    $column,
                    $row,
                    Rect::around([$pieces["$column,$row"][2] ?? $inside, $inside]),
                ];
            }
        }

        return $pieces;
    }

    /**
     * @param  list<Rect>  $pieces
     * @return list<array{InkStroke, Rect}> the strokes that may reach the pieces, with their bounds
     */
    private function strokesIn(array $pieces): array
    {
        $strokes = [];
        foreach ($pieces === [] ? [] : $this->sheet->all(InkStroke::class) as $stroke) {
            $bounds = self::boundsOf($stroke);
            foreach ($pieces as $piece) {
                if (! $bounds->intersect($piece)->isEmpty()) {
                    $strokes[] = [$stroke, $bounds];
                    break;
                }
            }
        }

        return $strokes;
    }

    /** The ink of a piece with a line in it. Only the rows that the line may reach are summed. */
    private static function withStroke(?string $ink, InkStroke $stroke, Rect $bounds, Rect $piece): ?string
    {
        $inside = $bounds->intersect($piece);
        $rows = new Rect($piece->x, $inside->y, $piece->width, $inside->height);
        $mask = $inside->isEmpty() ? null : self::mask($stroke, $rows)->cut($rows);
        if ($mask === null) {
            return $ink;
        }
        $ink ??= str_repeat("\0", $piece->width * $piece->height);
        $from = ($rows->y - $piece->y) * $piece->width;

        return substr_replace($ink, Bytes::most(substr($ink, $from, strlen($mask)), $mask), $from, strlen($mask));
    }

    /** @throws OpRefused when it is more than is drawn in one go */
    private static function mask(InkStroke $stroke, Rect $within): StrokeMask
    {
        try {
            return Nib::draw($stroke, $within);
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }
}
