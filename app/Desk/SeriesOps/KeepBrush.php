<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Series;
use App\Models\SeriesBrush;
use Awning\Core\Brush\Tip;

/**
 * A new brush.
 *
 * @phpstan-import-type TipData from Tip
 */
final readonly class KeepBrush implements SeriesOp
{
    /** @param  array{size: float, hardness: float, tip: ?TipData}  $brush */
    public function __construct(private string $name, private array $brush)
    {
    }

    public static function kind(): string
    {
        return 'brush.keep';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Keep the brush $this->name";
    }

    public function toInput(): array
    {
        return ['name' => $this->name, 'brush' => $this->brush];
    }

    public function apply(Series $series): array
    {
        $row = SeriesBrush::query()->create(['series_id' => $series->id, 'name' => $this->name, 'brush' => $this->brush])->refresh();

        return [['brush', $row->id, null, $row->toRecord()]];
    }
}
