<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesBrush;

/** Takes a brush out; what was painted with it stays. */
final readonly class RetireBrush implements ClientSeriesOp
{
    use RowChange;

    public function __construct(private SeriesBrush $brush)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['brush' => 'required|integer']);

        return new self($asked->brush($input->integer('brush')));
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Brushes;
    }

    public static function kind(): string
    {
        return 'brush.retire';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Delete the brush {$this->brush->name}";
    }

    public function toInput(): array
    {
        return ['brush' => $this->brush->id];
    }

    public function apply(Series $series): array
    {
        return self::changed('brush', $this->brush, ['retired' => true]);
    }
}
