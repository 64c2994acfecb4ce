<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Paint;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\MirrorAxis;
use Awning\Core\Raster\TwinCoverage;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Ops\Flats\FillInside;
use Awning\Core\Sheet\Painting\Laying;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Fills the inside of an outline in a pass, or takes away what is there: a shade or a light is drawn round, and is
 * there; with a mirror, on its other side, too.
 *
 * @phpstan-import-type LayingInput from Laying
 * @phpstan-import-type PlaceData from FillInside
 * @phpstan-import-type AxisData from MirrorAxis
 *
 * @phpstan-type PaintShapeInput array{laying: LayingInput, outline: list<PlaceData>, mirror: ?AxisData}
 */
final readonly class PaintShape implements ClientOp
{
    /** @param  non-empty-list<PlaceData>  $outline  round the shape, px of the page */
    public function __construct(private Laying $laying, private array $outline, private ?MirrorAxis $mirror = null)
    {
    }

    public static function kind(): string
    {
        return 'paint.shape';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(
            Laying::fromInput($input->map('laying')),
            FillInside::outline($input),
            MirrorAxis::ofInput($input),
        );
    }

    /** @return PaintShapeInput */
    public function toInput(): array
    {
        return [
            'laying' => $this->laying->toInput(),
            'outline' => $this->outline,
            'mirror' => $this->mirror?->toData(),
        ];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Remove a shape' : 'Block';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return $this->laying->refersTo();
    }

    public function apply(Sheet $sheet): void
    {
        $twin = $this->mirror === null ? null : new SmoothShape($this->mirror->all($this->outline), $sheet->rect());
        $this->laying->lay($sheet, TwinCoverage::of(new SmoothShape($this->outline, $sheet->rect()), $twin));
    }
}
