<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\LineColouring;
use Awning\Core\Page\PageSize;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Says where the page's lines take their colour from, and whether they show.
 *
 * @phpstan-import-type LinesData from LineColouring
 *
 * @phpstan-type ColourLinesInput array{lines: LinesData}
 */
final readonly class ColourLines implements ClientOp
{
    public function __construct(private LineColouring $lines)
    {
    }

    public static function kind(): string
    {
        return 'lines.colour';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self(LineColouring::fromData($input->map('lines')));
    }

    /** @return ColourLinesInput */
    public function toInput(): array
    {
        return ['lines' => $this->lines->toData()];
    }

    public function title(): string
    {
        return $this->lines->shown ? 'Colour the lines' : 'Hide the lines';
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $sheet->put(PageSize::KEY, $sheet->size()->coloured($this->lines));
    }
}
