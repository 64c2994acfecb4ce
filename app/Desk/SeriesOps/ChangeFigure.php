<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;
use App\Values\Scalar;

/** Gives a figure another name, another place in the depth of all pages, or another outer edge. */
final readonly class ChangeFigure implements ClientSeriesOp
{
    use FigureChange;

    /**
     * @param  ?string  $name  null: as it is
     * @param  int  $nearer  by how many figures it comes nearer to the reader; below 0 farther away
     * @param  ?bool  $soft  whether its outer edge is softened by a pixel; null: as it is
     */
    public function __construct(
        private Figure $figure,
        private ?string $name,
        private int $nearer,
        private ?bool $soft = null,
    ) {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'figure' => 'required|integer',
            'name' => ['sometimes', new Name(80)],
            'nearer' => 'sometimes|integer|between:-1000,1000',
            'soft' => 'sometimes|boolean',
        ]);

        return new self(
            figure: $asked->figure($input->integer('figure')),
            name: $input->has('name') ? $input->string('name')->toString() : null,
            nearer: $input->integer('nearer'),
            soft: $input->has('soft') ? $input->boolean('soft') : null,
        );
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.change';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return match (true) {
            $this->name !== null => "Rename {$this->figure->name}",
            $this->soft !== null => ($this->soft ? 'Soften' : 'Harden')." the outer edge of {$this->figure->name}",
            default => "Move {$this->figure->name} ".($this->nearer > 0 ? 'nearer' : 'farther away'),
        };
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id, 'name' => $this->name, 'nearer' => $this->nearer, 'soft' => $this->soft];
    }

    public function apply(Series $series): array
    {
        $this->name === null ? self::standing($this->figure) : self::ownOf($this->figure);
        /** @var list<Figure> $figures */
        $figures = Figure::living()->lockForUpdate()->where('series_id', $series->id)->orderBy('depth')->get()->all();
        $at = array_search($this->figure->id, array_map(fn (Figure $figure): int => $figure->id, $figures), true);
        assert(is_int($at));
        $before = array_map(fn (Figure $figure): array => $figure->toRecord(), $figures);
        $depths = array_column($before, 'depth');
        $figures[$at]->name = $this->name ?? $figures[$at]->name;
        $figures[$at]->soft = $this->soft ?? $figures[$at]->soft;
        $moved = [...$figures];
        array_splice($moved, max(0, min(count($figures) - 1, $at + $this->nearer)), 0, array_splice($moved, $at, 1));
        foreach ($moved as $i => $figure) {
            $figure->depth = $depths[$i];
        }
        $changed = array_filter($figures, fn (Figure $figure): bool => $figure->isDirty());
        // Out of the way first: no two may stand at one depth, not even meanwhile.
        Figure::query()
            ->whereKey(array_map(fn (Figure $figure): int => $figure->id, $changed))
            ->increment('depth', 1 + Scalar::int(Figure::query()->where('series_id', $series->id)->max('depth')));
        $records = [];
        foreach ($changed as $i => $figure) {
            Figure::query()
                ->whereKey($figure->id)
                ->update(['name' => $figure->name, 'depth' => $figure->depth, 'soft' => $figure->soft]);
            $records[] = ['figure', $figure->id, $before[$i], $figure->toRecord()];
        }

        return $records;
    }
}
