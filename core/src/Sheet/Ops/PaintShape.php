<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops;

use Awning\Core\Page\Data;
use Awning\Core\Select\SmoothShape;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Laying;
use Awning\Core\Sheet\References;
use Awning\Core\Sheet\Right;
use Awning\Core\Sheet\Sheet;

/**
 * Fills the inside of an outline in a pass, or takes away what is there: a shade or a light is drawn round, and is there.
 *
 * @phpstan-import-type LayingInput from Laying
 * @phpstan-import-type PlaceData from FillInside
 *
 * @phpstan-type PaintShapeInput array{laying: LayingInput, outline: list<PlaceData>}
 */
final readonly class PaintShape implements ClientOp
{
    /** @param  non-empty-list<PlaceData>  $outline  round the shape, px of the page */
    public function __construct(private Laying $laying, private array $outline)
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
        return new self(Laying::fromInput($input->map('laying')), FillInside::outline($input));
    }

    /** @return PaintShapeInput */
    public function toInput(): array
    {
        return ['laying' => $this->laying->toInput(), 'outline' => $this->outline];
    }

    public function title(): string
    {
        return $this->laying->erase ? 'Take a shape away' : 'Block';
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
        $this->laying->lay($sheet, new SmoothShape($this->outline, $sheet->rect()));
    }
}
