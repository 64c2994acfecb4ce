<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Figure;
use App\Models\Material;
use App\Models\Series;

/**
 * Brings a figure up to date with the one of another series that it follows: its name, and of its materials what is
 * there, what is pinned and by which dials. Derived tones follow from this series' own light and rule.
 */
final readonly class FollowFigure implements SeriesOp
{
    use MaterialChange;

    /** @param  Figure  $figure  the one that follows */
    public function __construct(private Figure $figure)
    {
    }

    public static function kind(): string
    {
        return 'figure.follow';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "{$this->figure->name} as in {$this->figure->followed?->series->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id];
    }

    public function apply(Series $series): array
    {
        $row = Figure::query()->lockForUpdate()->findOrFail($this->figure->id);
        $source = $row->followed;
        // Taken out there, it is nobody's to change here: it stays as it is.
        if ($row->retired || $source === null || $source->retired) {
            return [];
        }
        /** @var array<int, Material> $own  by what each follows */
        $own = Material::query()
            ->lockForUpdate()
            ->where('figure_id', $row->id)
            ->whereNotNull('follows_id')
            ->get()
            ->keyBy('follows_id')
            ->all();
        $records = $this->named($row, $source);
        $there = $source->materials()->get()->keyBy('id')->all();
        foreach ($there as $material) {
            $records[] = isset($own[$material->id])
                ? self::like($own[$material->id], $material)
                : self::following($row, $material);
        }
        $missing = array_diff_key($own, $there);
        foreach (array_filter($missing, fn (Material $material): bool => ! $material->retired) as $material) {
            $records[] = self::without($material, $own[$material->followed->stands_in ?? 0] ?? null);
        }

        return array_values(array_filter($records));
    }

    /**
     * What is gone there: merged, it is merged here, too; deleted, it stays and goes its own way, for pages of this
     * series wear it.
     *
     * @return array{string, int, array<string, mixed>, array<string, mixed>}
     */
    private static function without(Material $material, ?Material $into): array
    {
        if ($into === null) {
            $material->follows_id = null;
        } else {
            $material->retired = true;
            $material->stands_in = $into->id;
        }

        return self::saved($material);
    }

    /** @return list<array{string, int, array<string, mixed>, array<string, mixed>}> */
    private function named(Figure $row, Figure $source): array
    {
        if ($row->name === $source->name) {
            return [];
        }
        $before = $row->toRecord();
        $row->forceFill(['name' => $source->name])->save();

        return [['figure', $row->id, $before, $row->toRecord()]];
    }

    /** @return ?array{string, int, array<string, mixed>, array<string, mixed>} null when nothing differs */
    private static function like(Material $own, Material $source): ?array
    {
        // As plain assignments: equal values leave the row as it was read.
        $own->name = $source->name;
        $own->pinned = $source->pinned;
        $own->dials = $source->dials;
        $own->more = $source->more;
        $own->place = $source->place;
        $own->retired = false;
        $own->stands_in = null;

        return $own->isDirty() ? self::saved($own) : null;
    }

    /** @return array{string, int, null, array<string, mixed>} */
    private static function following(Figure $row, Material $source): array
    {
        [$kind, $id] = self::added($row->id, $source->name, $source->pinned, $source->dials, $source->more);
        $material = Material::query()->findOrFail($id);
        $material->forceFill(['follows_id' => $source->id])->save();

        return [$kind, $id, null, $material->toRecord()];
    }
}
