<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;
use App\Values\Scalar;

/** Takes a figure out of the palette: another takes over its materials and passes, or they go with it. */
final readonly class RetireFigure implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    public function __construct(private Figure $figure, private ?Figure $into)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['figure' => 'required|integer', 'into' => 'nullable|integer|different:figure']);

        return new self(
            $asked->livingFigure($input->integer('figure')),
            $input->filled('into') ? $asked->livingFigure($input->integer('into')) : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.retire';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return $this->into === null
            ? "Delete {$this->figure->name}"
            : "Merge {$this->figure->name} into {$this->into->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id, 'into' => $this->into?->id];
    }

    public function apply(Series $series): array
    {
        $row = self::standing($this->figure);
        $into = $this->into === null ? null : self::ownOf($this->into);
        $before = $row->toRecord();
        $row->forceFill(['retired' => true, 'stands_in' => $into?->id])->save();
        $records = [['figure', $row->id, $before, $row->toRecord()]];
        $place = $into === null ? 0 : Scalar::int(Material::query()->where('figure_id', $into->id)->max('place'));
        /** @var list<Material> $materials */
        $materials = Material::living()
            ->lockForUpdate()
            ->where('figure_id', $row->id)
            ->orderBy('place')
            ->orderBy('id')
            ->get()
            ->all();
        foreach ($materials as $material) {
            if ($into === null) {
                $material->retired = true;
            } else {
                $material->figure_id = $into->id;
                $material->place = ++$place;
            }
            $records[] = self::saved($material);
        }

        return $records;
    }
}
