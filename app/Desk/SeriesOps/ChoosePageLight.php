<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Page;
use App\Models\Series;
use App\Models\SeriesLight;

/** Under which light plan a page stands; null: the series' own. */
final readonly class ChoosePageLight implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private Page $page, private ?SeriesLight $light)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['of' => 'required|integer', 'light' => 'present|nullable|integer']);

        return new self(
            $asked->page($input->integer('of')),
            $input->filled('light') ? $asked->light($input->integer('light')) : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'page.light';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Light page {$this->page->number} by ".($this->light->name ?? "the series' own light");
    }

    public function toInput(): array
    {
        return ['of' => $this->page->id, 'light' => $this->light?->id];
    }

    public function apply(Series $series): array
    {
        return self::changed('page', $this->page, ['plan_id' => $this->light?->id]);
    }
}
