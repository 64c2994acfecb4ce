<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * A connected area of the flats, named by its label, and what it is filled with.
 *
 * @phpstan-type RegionData array{figure: int, material: int, area: int, x: int, y: int}
 */
final readonly class Region implements Record
{
    /**
     * @param  int  $figure  0 while it is unfilled
     * @param  int  $material  0 while it is unfilled
     * @param  int  $area  free pixels, those under the ink not counted
     * @param  int  $x  a pixel inside it, in the middle of its longest run
     */
    public function __construct(public int $figure, public int $material, public int $area, public int $x, public int $y)
    {
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Region;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->int('figure', 0, PHP_INT_MAX), $data->int('material', 0, PHP_INT_MAX), $data->int('area', 0, PHP_INT_MAX),
            $data->int('x', 0, PageSize::MOST), $data->int('y', 0, PageSize::MOST),
        );
    }

    /** @return RegionData */
    public function toData(): array
    {
        return ['figure' => $this->figure, 'material' => $this->material, 'area' => $this->area, 'x' => $this->x, 'y' => $this->y];
    }

    /** The same area of another material, or with 0 of none. */
    public function filled(int $figure, int $material): self
    {
        return new self($material === 0 ? 0 : $figure, $material, $this->area, $this->x, $this->y);
    }

    public function isFilled(): bool
    {
        return $this->material > 0;
    }
}
