<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;

/**
 * A figure of another series with its materials, as a copy that goes its own way from then on: what is pinned is the
 * same, all else follows from this series' light and rule.
 */
final readonly class CopyFigure implements ClientSeriesOp
{
    use MaterialChange;

    public function __construct(private Figure $figure)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['figure' => 'required|integer']);

        return new self($asked->figureElsewhere($input->integer('figure')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.copy';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Take {$this->figure->name} over from {$this->figure->series->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id];
    }

    public function apply(Series $series): array
    {
        $records = (new AddFigure($this->figure->name))->apply($series);
        foreach ($this->figure->materials()->get() as $material) {
            $records[] = self::added(
                $records[0][1],
                $material->name,
                $material->pinned,
                $material->dials,
                $material->more,
            );
        }

        return $records;
    }
}
