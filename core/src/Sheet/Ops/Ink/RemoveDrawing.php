<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\LayerName;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * Takes a drawing off the page. Its original stays kept.
 *
 * @phpstan-type RemoveDrawingInput array{id: string}
 */
final readonly class RemoveDrawing implements ClientOp
{
    public function __construct(private string $id)
    {
    }

    public static function kind(): string
    {
        return 'drawing.remove';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'));
    }

    /** @return RemoveDrawingInput */
    public function toInput(): array
    {
        return ['id' => $this->id];
    }

    public function title(): string
    {
        return 'Remove a drawing';
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function refersTo(): References
    {
        return new References;
    }

    public function apply(Sheet $sheet): void
    {
        $drawing =
            $sheet->find(Drawing::class, $this->id) ?? throw new OpRefused('This drawing is no longer on the page.');
        $sheet->remove(Drawing::class, $this->id);
        array_map($sheet->clearLayer(...), LayerName::allOf($this->id));
        if ($drawing->isInked()) {
            $ink = new InkLayers($sheet);
            $ink->make();
            $ink->fallBehind();
        }
    }
}
