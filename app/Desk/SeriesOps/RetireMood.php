<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesMood;

/** Takes a mood out; pages that show it stay as they are. */
final readonly class RetireMood implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private SeriesMood $mood)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        return new self($asked->mood($asked->checked(['mood' => 'required|integer'])->integer('mood')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Moods;
    }

    public static function kind(): string
    {
        return 'mood.retire';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Delete the mood {$this->mood->name}";
    }

    public function toInput(): array
    {
        return ['mood' => $this->mood->id];
    }

    public function apply(Series $series): array
    {
        return self::changed('mood', $this->mood, ['retired' => true]);
    }
}
