<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Desk\Palette\SeriesPart;
use App\Models\Material;
use App\Models\Series;

/**
 * Takes a material out of the palette; on all pages another takes its place, or nothing does and its regions are
 * unfilled.
 */
final readonly class RetireMaterial implements ClientSeriesOp
{
    use MaterialChange;

    public function __construct(private Material $material, private int $version, private ?Material $into)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'material' => 'required|integer',
            'version' => 'required|integer',
            'into' => 'nullable|integer|different:material',
        ]);

        return new self(
            $asked->material($input->integer('material')),
            $input->integer('version'),
            $input->filled('into') ? $asked->material($input->integer('into')) : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'material.retire';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return $this->into === null
            ? "Delete {$this->material->name}"
            : "Merge {$this->material->name} into {$this->into->name}";
    }

    public function toInput(): array
    {
        return ['material' => $this->material->id, 'into' => $this->into?->id];
    }

    public function apply(Series $series): array
    {
        $row = self::taken($series, $this->material, $this->version, ['into' => $this->into?->id]);
        if ($this->into !== null && Material::living()->whereKey($this->into->id)->doesntExist()) {
            throw new Conflict("{$this->into->name} is no longer in the palette. Choose another.", [
                'reason' => 'palette',
                'theirs' => null,
                'yours' => ['into' => $this->into->id],
            ]);
        }
        $row->retired = true;
        $row->stands_in = $this->into?->id;

        return [self::saved($row)];
    }
}
