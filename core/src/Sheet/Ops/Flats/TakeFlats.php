<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Ops\Flats;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Sheet\Op;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Sheet;
use Awning\Core\Sheet\State\Right;

/** Puts somebody else's flats in place of the page's. The lines, and what was painted, stay. */
final readonly class TakeFlats implements Op
{
    /** @param  array<int, Region>  $regions  by label, filled as their colours were matched */
    public function __construct(private string $name, private Labels $labels, private array $regions)
    {
    }

    public static function kind(): string
    {
        return 'flats.take';
    }

    public static function form(): int
    {
        return 1;
    }

    public function toInput(): array
    {
        return ['name' => $this->name];
    }

    public function title(): string
    {
        return "Take over {$this->name}";
    }

    public function right(): Right
    {
        return Right::Flat;
    }

    public function apply(Sheet $sheet): void
    {
        $size = $sheet->size();
        if ($size->width !== $this->labels->width || $size->height !== $this->labels->height) {
            throw new OpRefused('The page has another size by now. Take the flats over again.');
        }
        $before = $sheet->all(Region::class);
        if (array_filter($before, fn (Region $region): bool => $region->locked) !== []) {
            throw new OpRefused('Some regions are locked, and taking flats over would change them. Unlock them first.');
        }
        $sheet->setLayer(LayerName::flats(), $this->labels->data);
        foreach (array_diff_key($before, $this->regions) as $label => $_) {
            $sheet->remove(Region::class, $label);
        }
        foreach ($this->regions as $label => $region) {
            $sheet->put($label, $region);
        }
    }
}
