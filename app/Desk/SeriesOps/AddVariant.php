<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\PaletteVariant;
use App\Models\Series;

/** A new variant of the palette, with no differences yet. */
final readonly class AddVariant implements SeriesOp
{
    public function __construct(private string $name)
    {
    }

    public static function kind(): string
    {
        return 'variant.add';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Add the variant $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name];
    }

    public function apply(Series $series): array
    {
        $variant = PaletteVariant::query()->create(['series_id' => $series->id, 'name' => $this->name, 'tones' => []])->refresh();

        return [['variant', $variant->id, null, $variant->toRecord()]];
    }
}
