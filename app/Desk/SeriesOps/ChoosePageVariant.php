<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Page;
use App\Models\PaletteVariant;
use App\Models\Series;

/** Which variant of the palette a page has; null: the palette as it is. */
final readonly class ChoosePageVariant implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private Page $page, private ?PaletteVariant $variant)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['of' => 'required|integer', 'variant' => 'present|nullable|integer']);

        return new self(
            $asked->page($input->integer('of')),
            $input->filled('variant') ? $asked->variant($input->integer('variant')) : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Variants;
    }

    public static function kind(): string
    {
        return 'page.variant';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Colour page {$this->page->number} by ".($this->variant->name ?? 'the palette as it is');
    }

    public function toInput(): array
    {
        return ['of' => $this->page->id, 'variant' => $this->variant?->id];
    }

    public function apply(Series $series): array
    {
        return self::changed('page', $this->page, ['variant_id' => $this->variant?->id]);
    }
}
