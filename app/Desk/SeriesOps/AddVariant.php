<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\PaletteVariant;
use App\Models\Series;

/** A new variant of the palette, with no differences yet. */
final readonly class AddVariant implements ClientSeriesOp
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
        return SeriesPart::Variants;
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
        $variant = PaletteVariant::query()
            ->create(['series_id' => $series->id, 'name' => $this->name, 'tones' => []])
            ->refresh();

        return [['variant', $variant->id, null, $variant->toRecord()]];
    }
}
