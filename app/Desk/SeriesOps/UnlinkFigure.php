<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;

/** A figure that followed another goes its own way from now on, as it is. */
final readonly class UnlinkFigure implements SeriesOp
{
    use FigureChange;
    use MaterialChange;

    public function __construct(private Figure $figure)
    {
    }

    public static function kind(): string
    {
        return 'figure.unlink';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Let {$this->figure->name} go its own way";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id];
    }

    public function apply(Series $series): array
    {
        $row = self::standing($this->figure);
        $before = $row->toRecord();
        $row->forceFill(['follows_id' => null])->save();
        $records = [['figure', $row->id, $before, $row->toRecord()]];
        /** @var list<Material> $materials */
        $materials = Material::query()->lockForUpdate()->where('figure_id', $row->id)->whereNotNull('follows_id')->get()->all();
        foreach ($materials as $material) {
            $material->follows_id = null;
            $records[] = self::saved($material);
        }

        return $records;
    }
}
