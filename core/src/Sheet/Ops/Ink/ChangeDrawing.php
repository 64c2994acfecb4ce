<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Ink;

use Awning\Core\Page\Data;
use Awning\Core\Page\Drawing\Drawing;
use Awning\Core\Page\Drawing\DrawingRole;
use Awning\Core\Sheet\ClientOp;
use Awning\Core\Sheet\InkLayers;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\References;
use Awning\Core\Sheet\State\Right;

/**
 * What a drawing is and how it shows: ink or underdrawing, tint, strength, above or below, hidden or not, and which
 * others it lies in front of.
 *
 * @phpstan-type DrawingValues array{role?: value-of<DrawingRole>, tint?: string, strength?: float, above?: bool,
 *     visible?: bool, order?: int}
 * @phpstan-type ChangeDrawingInput array{id: string, values: DrawingValues}
 */
final readonly class ChangeDrawing implements ClientOp
{
    /** @var array<string, mixed> DrawingValues, each as a drawing reads it */
    private array $values;

    /** @throws \InvalidArgumentException when a value may not be changed, or not to this */
    public function __construct(private string $id, Data $values)
    {
        $this->values = Drawing::changesOf($values);
    }

    public static function kind(): string
    {
        return 'drawing.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public static function fromInput(Data $input): self
    {
        return new self($input->id('id'), $input->map('values'));
    }

    /** @return ChangeDrawingInput */
    public function toInput(): array
    {
        /** @var DrawingValues $values */
        $values = $this->values;

        return ['id' => $this->id, 'values' => $values];
    }

    public function title(): string
    {
        return 'Change a drawing';
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
        $before =
            $sheet->find(Drawing::class, $this->id) ?? throw new OpRefused('This drawing is no longer on the page.');
        $after = Drawing::fromData(new Data($this->values + $before->toData()));
        $sheet->put($this->id, $after);
        if (
            $before->isInked() !== $after->isInked() ||
            ($after->isInked() && $before->order !== $after->order && $this->isAnyCovering($sheet))
        ) {
            $ink = new InkLayers($sheet);
            $ink->make();
            $ink->fallBehind();
        }
    }

    /** Whether it matters which of the drawings lies in front. */
    private function isAnyCovering(Sheet $sheet): bool
    {
        return array_filter(
            $sheet->all(Drawing::class),
            fn (Drawing $drawing): bool => $drawing->isInked() && $drawing->place->covers,
        ) !== [];
    }
}
