<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Material;
use App\Models\Series;

/** A second material like one there is, after all others of the figure, under a name that is free. */
final readonly class DuplicateMaterial implements ClientSeriesOp
{
    use MaterialChange;

    private const LONGEST = 80;

    public function __construct(private Material $material)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['material' => 'required|integer']);

        return new self($asked->material($input->integer('material')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'material.duplicate';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Duplicate {$this->material->name}";
    }

    public function toInput(): array
    {
        return ['material' => $this->material->id];
    }

    public function apply(Series $series): array
    {
        $row = self::present($this->material);
        $taken = Material::living()->where('figure_id', $row->figure_id)->pluck('name')->all();
        for ($n = 2; in_array($name = mb_substr($row->name, 0, self::LONGEST - 6)." $n", $taken, true);) {
            $n++;
        }

        return [self::added($row->figure_id, $name, $row->pinned, $row->dials, $row->more)];
    }
}
