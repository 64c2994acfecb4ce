<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\StrokeMask;
use Awning\Core\Colour\Rgb;
use Awning\Core\Compose\Pixels;
use Awning\Core\Compose\StrokeLaying;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PassSpec;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * One stroke of pen or eraser in a pass.
 *
 * @phpstan-import-type PassData from PassSpec
 *
 * @phpstan-type BrushData array{size: float, hardness: float, opacity: float, smoothing: float}
 * @phpstan-type PointData array{float, float, float}
 * @phpstan-type StrokeInput array{pass: string, points: list<PointData>, brush: BrushData, erase: bool, colour: ?string, make: ?PassData}
 */
final readonly class Stroke implements ClientOp, Prepares
{
    private StrokeDrawing $drawing;

    /**
     * @param  ?Rgb  $colour  the paint's colour; only a paint pass takes one
     * @param  ?PassSpec  $make  the pass to add when it is not there yet: picking a tone is enough to paint in it
     */
    public function __construct(
        private string $pass,
        private Path $path,
        private Brush $brush,
        private bool $erase = false,
        private ?Rgb $colour = null,
        private ?PassSpec $make = null,
    ) {
        $this->drawing = new StrokeDrawing($path, $brush);
    }

    public static function kind(): string
    {
        return 'stroke';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            $input->id('pass'),
            Path::fromPoints($input->list('points', Path::MOST_POINTS)),
            self::brush($input->map('brush')),
            $input->flag('erase', false),
            $input->has('colour') ? Rgb::fromHex($input->text('colour')) : null,
            $input->has('make') ? PassSpec::fromData($input->map('make')) : null,
        );
    }

    private static function brush(Data $brush): Brush
    {
        return new Brush($brush->number('size', 1, Brush::LARGEST, 20), $brush->number('hardness', 0, 1, 1), $brush->number('opacity', 0, 1, 1), $brush->number('smoothing', 0, 0.95, 0));
    }

    /** @return StrokeInput */
    public function toInput(): array
    {
        return [
            'pass' => $this->pass,
            'points' => $this->path->points,
            'brush' => ['size' => $this->brush->size, 'hardness' => $this->brush->hardness, 'opacity' => $this->brush->opacity, 'smoothing' => $this->brush->smoothing],
            'erase' => $this->erase,
            'colour' => $this->colour?->hex(),
            'make' => $this->make?->toData(),
        ];
    }

    public function title(): string
    {
        return $this->erase ? 'Erase' : 'Paint';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->make === null ? new References : References::ofPass($this->make->figure, $this->make->scope);
    }

    public function prepare(Sheet $sheet): void
    {
        try {
            $this->drawing->on($sheet->rect());
        } catch (\RangeException $error) {
            throw new OpRefused($error->getMessage(), 0, $error);
        }
    }

    public function apply(Sheet $sheet): void
    {
        $this->prepare($sheet);
        $page = $sheet->rect();
        $there = $sheet->find(PassSpec::class, $this->pass);
        $pass = $there ?? $this->make ?? throw new OpRefused('The pass is gone. Pick a tone or another pass and paint again.');
        if ($pass->isPaint() && ! $this->erase && $this->colour === null) {
            throw new OpRefused('Pick a colour to paint with.');
        }
        $mask = $this->drawing->on($page);
        if ($mask->bounds->isEmpty()) {
            throw new OpRefused('The stroke lies off the page.');
        }
        if ($there === null) {
            (new AddPass($this->pass, $pass))->apply($sheet);
        }
        $this->lay($sheet, $pass->layer($this->pass), $mask, $pass->isPaint());
    }

    private function lay(Sheet $sheet, LayerName $layer, StrokeMask $mask, bool $isPaint): void
    {
        $laying = new StrokeLaying;
        foreach ($sheet->grid()->touching($mask->bounds) as [$column, $row]) {
            $stroke = $mask->cut(TileGrid::rect($column, $row));
            if ($stroke === null) {
                continue;
            }
            $tile = $sheet->bytes($layer, $column, $row);
            $sheet->setTile($layer, $column, $row, match (true) {
                $isPaint => $this->onPaint($laying, $tile, $stroke),
                $this->erase => $laying->remove($tile, $stroke, $this->brush->opacity),
                default => $laying->add($tile, $stroke, $this->brush->opacity),
            });
        }
    }

    private function onPaint(StrokeLaying $laying, string $tile, string $stroke): string
    {
        [$red, $green, $blue, $alpha] = str_split($tile, TileGrid::PIXELS);
        if ($this->erase) {
            return $red.$green.$blue.$laying->remove($alpha, $stroke, $this->brush->opacity);
        }
        $pixels = $laying->paint(new Pixels(TileGrid::PIXELS, $red, $green, $blue, $alpha), $stroke, $this->colour ?? new Rgb(0, 0, 0), $this->brush->opacity);

        return $pixels->red.$pixels->green.$pixels->blue.$pixels->alphas();
    }
}
