<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;

/** A figure that followed another goes its own way from now on, as it is. */
final readonly class UnlinkFigure implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    public function __construct(private Figure $figure)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['figure' => 'required|integer']);
        $figure = $asked->livingFigure($input->integer('figure'));

        return $figure->follows_id === null ? $asked->unknown() : new self($figure);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.unlink';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Stop following {$this->figure->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id];
    }

    public function apply(Series $series): array
    {
        $row = self::standing($this->figure);
        $before = $row->toRecord();
        $row->forceFill(['follows_id' => null])->save();
        $records = [['figure', $row->id, $before, $row->toRecord()]];
        /** @var list<Material> $materials */
        $materials = Material::query()
            ->lockForUpdate()
            ->where('figure_id', $row->id)
            ->whereNotNull('follows_id')
            ->get()
            ->all();
        foreach ($materials as $material) {
            $material->follows_id = null;
            $records[] = self::saved($material);
        }

        return $records;
    }
}
