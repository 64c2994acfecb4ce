<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;
use App\Values\Scalar;

/** A new figure, nearer to the reader than all others. */
final readonly class AddFigure implements ClientSeriesOp
{
    public function __construct(private string $name)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['name' => ['required', new Name(80)]]);

        return new self($input->string('name')->toString());
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.add';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Add the figure $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name];
    }

    public function apply(Series $series): array
    {
        $figure = Figure::query()->create([
            'series_id' => $series->id, 'name' => $this->name,
            'depth' => 1 + Scalar::int(Figure::query()->where('series_id', $series->id)->max('depth')),
        ]);

        return [['figure', $figure->id, null, $figure->refresh()->toRecord()]];
    }
}
