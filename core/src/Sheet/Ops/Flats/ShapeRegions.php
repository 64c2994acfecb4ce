<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Page\Data;
use Awning\Core\Page\Region\Region;
use Awning\Core\Page\Region\ShapeUse;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Paint\Stroke;
use Awning\Core\Sheet\Painting\StrokeOnSheet;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\Regions\Relabelling;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Lays flats by hand where no line bounds them: an outline or a broad pen gives a material to what is inside, takes it
 * from that, or keeps it only there. Edges stay hard. Locked regions lose nothing.
 *
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type PointData from Stroke
 *
 * @phpstan-type FlatPenData array{points: list<PointData>, width: float}
 * @phpstan-type ShapeInput array{use: value-of<ShapeUse>, outline: ?list<PlaceData>, pen: ?FlatPenData, figure: int,
 *     material: int, into: ?int}
 */
final readonly class ShapeRegions implements ClientOp, Prepares
{
    private const WIDEST_PEN = 600;

    private ?StrokeDrawing $drawing;

    /**
     * @param  ?list<PlaceData>  $outline  round the shape, px of the page; null: a pen drew it
     * @param  ?Path  $path  of the pen
     * @param  float  $width  of the pen, px
     * @param  int  $material  0: whatever is there is taken away
     * @param  ?int  $into  the region that grows, whatever it is filled with: its border is pushed
     */
    public function __construct(
        private ShapeUse $use,
        private ?array $outline,
        private ?Path $path,
        private float $width,
        private int $figure,
        private int $material,
        private ?int $into = null,
    ) {
        if ($use !== ShapeUse::Take && $material === 0 && $into === null) {
            throw new OpRefused('Pick a material first.');
        }
        $this->drawing = $path === null ? null : new StrokeDrawing($path, new Brush($width, 1, 1, 0));
    }

    public static function kind(): string
    {
        return 'flats.shape';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        $pen = $input->has('pen') ? $input->map('pen') : null;
        $use = $input->choice('use', ShapeUse::class, 'A shape adds, takes away or keeps.');
        assert($use instanceof ShapeUse);

        return new self(
            use: $use,
            outline: $pen === null ? FillInside::outline($input) : null,
            path: $pen === null ? null : Path::fromPoints($pen->list('points', Path::MOST_POINTS)),
            width: $pen === null ? 0 : $pen->number('width', 1, self::WIDEST_PEN),
            figure: $input->int('figure', 0, PHP_INT_MAX, 0),
            material: $input->int('material', 0, PHP_INT_MAX, 0),
            into: $input->intOrNull('into', 1, Labels::MOST),
        );
    }

    /** @return ShapeInput */
    public function toInput(): array
    {
        return [
            'use' => $this->use->value,
            'outline' => $this->outline,
            'pen' => $this->path === null ? null : ['points' => $this->path->points, 'width' => $this->width],
            'figure' => $this->figure,
            'material' => $this->material,
            'into' => $this->into,
        ];
    }

    public function title(): string
    {
        return match (true) {
            $this->into !== null => 'Push a border',
            $this->use === ShapeUse::Add => 'Block in',
            $this->use === ShapeUse::Take => 'Take away from the flats',
            default => 'Keep the flats inside',
        };
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return $this->material === 0
            ? new References
            : new References(materialsOf: [$this->material => $this->figure]);
    }

    public function prepare(Sheet $sheet): void
    {
        if ($this->drawing !== null) {
            StrokeOnSheet::mask($this->drawing, $sheet);
        }
    }

    public function apply(Sheet $sheet): void
    {
        $this->prepare($sheet);
        [$window, $inside] =
            $this->use === ShapeUse::Keep ? $this->outside($sheet->rect()) : $this->inside($sheet->rect());
        if ($window->isEmpty()) {
            throw new OpRefused('The shape lies off the page. Draw it on the page.');
        }
        $regions = $sheet->all(Region::class);
        $flats = new Relabelling($sheet);
        $to = match (true) {
            $this->into !== null => $this->pushed($regions),
            $this->use === ShapeUse::Add => $this->addedTo($sheet, $flats->read($window), $inside, $regions),
            default => self::begun($sheet, 0, 0),
        };
        $flats->give(
            $window,
            $inside,
            $to,
            fn (int $label): bool => $label !== $to && $this->mayLose($regions[$label] ?? null),
        );
        if ($flats->moved() === 0) {
            throw new OpRefused('Nothing changes there: it is as you want it already, or locked.');
        }
        $flats->settle();
    }

    /** @param  array<array-key, Region>  $regions */
    private function pushed(array $regions): int
    {
        $region =
            $regions[(int) $this->into] ??
            throw new OpRefused('This region is gone. Reload the page and push its border again.');

        return $region->locked
            ? throw new OpRefused('This region is locked. Unlock it before you push its border.')
            : (int) $this->into;
    }

    private function mayLose(?Region $region): bool
    {
        if ($region === null || $this->use === ShapeUse::Add) {
            return $region === null || ! $region->locked;
        }

        return ! $region->locked &&
            $region->isFilled() &&
            ($this->material === 0 || $region->material === $this->material);
    }

    /** A region without a pixel yet. */
    private static function begun(Sheet $sheet, int $figure, int $material): int
    {
        $label = $sheet->freeLabel();
        $sheet->put($label, new Region($figure, $material, 0, 0, 0));

        return $label;
    }

    /**
     * Pieces that lie over each other are one region: the one of this material that the shape covers most of.
     *
     * @param  array<array-key, Region>  $regions
     */
    private function addedTo(Sheet $sheet, string $labels, string $inside, array $regions): int
    {
        $covered = [];
        foreach (Labels::spans($labels) as [$from, $to, $label]) {
            $region = $regions[$label] ?? null;
            if (
                $region !== null &&
                ! $region->locked &&
                $region->figure === $this->figure &&
                $region->material === $this->material
            ) {
                $covered[$label] = ($covered[$label] ?? 0) + substr_count($inside, "\xff", $from, $to - $from);
            }
        }
        arsort($covered);
        $most = array_key_first($covered);

        return $most !== null && $covered[$most] > 0 ? $most : self::begun($sheet, $this->figure, $this->material);
    }

    /** @return array{Rect, string} the shape's bounds, and 255 for each pixel inside it */
    private function inside(Rect $page): array
    {
        if ($this->drawing !== null) {
            $mask = $this->drawing->on($page);

            return [$mask->bounds, strtr($mask->data, Bytes::identity(), Bytes::threshold(128))];
        }
        assert($this->outline !== null);
        $outline = new Outline($this->outline);
        $window = $outline->bounds()->intersect($page);

        return [$window, $outline->mask($window)];
    }

    /** @return array{Rect, string} the page, and 255 for each pixel outside the shape */
    private function outside(Rect $page): array
    {
        [$window, $inside] = $this->inside($page);
        if ($window->isEmpty()) {
            return [$window, ''];
        }
        $row = str_repeat("\xff", $page->width);
        $outside = str_repeat($row, $window->y);
        foreach (str_split($inside, max(1, $window->width)) as $line) {
            $outside .= substr_replace($row, ~$line, $window->x, $window->width);
        }

        return [$page, $outside.str_repeat($row, $page->height - $window->bottom())];
    }
}
