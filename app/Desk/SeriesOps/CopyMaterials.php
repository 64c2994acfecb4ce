<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Values\Scalar;

/**
 * Gives a figure the materials of others, so that regions can be given to it: those it has under the same name stay.
 */
final readonly class CopyMaterials implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    /** @param  list<int>  $materials  of the series */
    public function __construct(private Figure $figure, private array $materials)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'figure' => 'required|integer',
            'materials' => 'required|list|max:1000',
            'materials.*' => 'integer|min:1',
        ]);
        $materials = Scalar::ints($input->array('materials'));

        return new self($asked->figure($input->integer('figure')), $materials);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'material.copy';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Copy materials to {$this->figure->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id, 'materials' => $this->materials];
    }

    public function apply(Series $series): array
    {
        $figure = self::ownOf($this->figure);
        $has = Material::living()->where('figure_id', $figure->id)->pluck('name')->all();
        $records = [];
        foreach (
            Material::query()
                ->whereIn('id', $this->materials)
                ->whereRelation('figure', 'series_id', $series->id)
                ->orderBy('place')
                ->get() as $material
        ) {
            if (in_array($material->name, $has, true)) {
                continue;
            }
            $has[] = $material->name;
            $records[] = self::added(
                $figure->id,
                $material->name,
                $material->pinned,
                $material->dials,
                $material->more,
            );
        }

        return $records;
    }
}
