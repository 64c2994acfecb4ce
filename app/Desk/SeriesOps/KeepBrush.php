<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Series;
use App\Models\SeriesBrush;
use Awning\Core\Brush\BrushBox;
use Awning\Core\Brush\Tip;
use Awning\Core\Page\Data;

/**
 * A new brush.
 *
 * @phpstan-import-type TipData from Tip
 */
final readonly class KeepBrush implements ClientSeriesOp
{
    /** @param  array{size: float, hardness: float, tip: ?TipData}  $brush */
    public function __construct(private string $name, private array $brush)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['name' => ['required', new Name(60)], 'brush' => 'required|array']);

        return new self(
            $input->string('name')->toString(),
            $asked->built('brush', fn (): array => BrushBox::own(new Data($input->array('brush')))),
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Brushes;
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
        $row = SeriesBrush::query()
            ->create(['series_id' => $series->id, 'name' => $this->name, 'brush' => $this->brush])
            ->refresh();

        return [['brush', $row->id, null, $row->toRecord()]];
    }
}
