<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Brush\Brush;
use Awning\Core\Brush\Path;
use Awning\Core\Brush\StrokeDrawing;
use Awning\Core\Brush\Tip;
use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\TwinCoverage;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Painting\StrokeOnSheet;
use Awning\Core\Sheet\Prepares;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * One stroke of pen or eraser in a pass; with a mirror, once more on its other side.
 *
 * @phpstan-import-type PassData from PassSpec
 * @phpstan-import-type TipData from Tip
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type BrushData array{size: float, hardness: float, opacity: float, smoothing: float, tip?: TipData}
 * @phpstan-type PointData array{float, float, float}
 * @phpstan-type StrokeInput array{pass: string, points: list<PointData>, brush: BrushData, erase: bool,
 *     colour: ?string, make: ?PassData, inside: list<int>, mirror: ?AxisData}
 */
final readonly class Stroke implements ClientOp, Prepares
{
    private Laying $laying;

    private StrokeDrawing $drawing;

    private ?StrokeDrawing $twin;

    /**
     * @param  ?Rgb  $colour  the paint's colour; only a paint pass takes one
     * @param  ?PassSpec  $make  the pass to add when it is not there yet: picking a tone is enough to paint in it
     * @param  list<int>  $inside  regions it stays inside of; none: wherever the pass's clip lets it
     */
    public function __construct(
        string $pass,
        private Path $path,
        private Brush $brush,
        bool $erase = false,
        ?Rgb $colour = null,
        ?PassSpec $make = null,
        array $inside = [],
        private ?MirrorAxis $mirror = null,
    ) {
        $this->laying = new Laying($pass, $make, $erase, $colour, $brush->opacity, $inside);
        $this->drawing = new StrokeDrawing($path, $brush);
        $this->twin = $mirror === null ? null : new StrokeDrawing($path->mirrored($mirror), $brush);
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
        $laying = Laying::fromInput($input);

        return new self(
            pass: $laying->pass,
            path: Path::fromPoints($input->list('points', Path::MOST_POINTS)),
            brush: self::brush($input->map('brush')),
            erase: $laying->erase,
            colour: $laying->colour,
            make: $laying->make,
            inside: $laying->inside,
            mirror: MirrorAxis::ofInput($input),
        );
    }

    public static function brush(Data $brush): Brush
    {
        return new Brush(
            $brush->number('size', 1, Brush::LARGEST, 20),
            $brush->number('hardness', 0, 1, 1),
            $brush->number('opacity', 0, 1, 1),
            $brush->number('smoothing', 0, 0.95, 0),
            $brush->has('tip') ? Tip::fromData($brush->map('tip')) : null,
        );
    }

    /** @return StrokeInput */
    public function toInput(): array
    {
        [
            'pass' => $pass,
            'erase' => $erase,
            'colour' => $colour,
            'make' => $make,
            'inside' => $inside,
        ] = $this->laying->toInput();

        return [
            'pass' => $pass,
            'points' => $this->path->points,
            'brush' => self::brushData($this->brush),
            'erase' => $erase,
            'colour' => $colour,
            'make' => $make,
            'inside' => $inside,
            'mirror' => $this->mirror?->toData(),
        ];
    }

    /** @return BrushData */
    public static function brushData(Brush $brush): array
    {
        $round = [
            'size' => $brush->size,
            'hardness' => $brush->hardness,
            'opacity' => $brush->opacity,
            'smoothing' => $brush->smoothing,
        ];

        return $brush->tip === null ? $round : [...$round, 'tip' => $brush->tip->toData()];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Erase' : 'Paint';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->laying->refersTo();
    }

    public function prepare(Sheet $sheet): void
    {
        $this->coverage($sheet);
    }

    public function apply(Sheet $sheet): void
    {
        $this->laying->lay($sheet, $this->coverage($sheet));
    }

    private function coverage(Sheet $sheet): Coverage
    {
        return TwinCoverage::of(
            StrokeOnSheet::mask($this->drawing, $sheet),
            $this->twin === null ? null : StrokeOnSheet::mask($this->twin, $sheet),
        );
    }
}
