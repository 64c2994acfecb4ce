<?php

declare(strict_types=1);

namespace Awning\Core\Tests;

use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Raster\Plane;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Ops\Passes\AddPass;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** Hangs a pass whose coverage was computed, not painted. */
final readonly class LayCoverage implements Op
{
    public function __construct(private string $id, private PassSpec $pass, private Plane $coverage)
    {
    }

    public static function kind(): string
    {
        return 'pass.lay';
    }

    public static function form(): int
    {
        return 1;
    }

    /** The coverage itself is in the tiles the journal names. */
    public function toInput(): array
    {
        return ['id' => $this->id, 'pass' => $this->pass->toData()];
    }

    public function title(): string
    {
        return "Lay {$this->pass->name}";
    }

    public function right(): Right
    {
        return Right::Colour;
    }

    public function apply(Sheet $sheet): void
    {
        $grid = $sheet->grid();
        if (
            $this->pass->isPaint() ||
            $this->coverage->width !== $grid->width ||
            $this->coverage->height !== $grid->height
        ) {
            throw new OpRefused('The coverage does not fit the page.');
        }
        (new AddPass($this->id, $this->pass))->apply($sheet);
        $sheet->setLayer($this->pass->layer($this->id), $this->coverage->data);
    }
}
