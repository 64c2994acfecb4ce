<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Name;
use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;

/** A new material of a figure, after those it has. */
final readonly class AddMaterial implements ClientSeriesOp
{
    use FigureChange;
    use MaterialChange;

    /** @param  string  $base  #rrggbb */
    public function __construct(private Figure $figure, private string $name, private string $base)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked([
            'figure' => 'required|integer',
            'name' => ['required', new Name(80)],
            'base' => ['required', OpInput::COLOUR],
        ]);
        $figure = $asked->figure($input->integer('figure'));

        return new self($figure, $input->string('name')->toString(), $input->string('base')->toString());
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'material.add';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Add {$this->figure->name}'s $this->name";
    }

    public function toInput(): array
    {
        return ['figure' => $this->figure->id, 'name' => $this->name, 'base' => $this->base];
    }

    public function apply(Series $series): array
    {
        return [self::added(self::ownOf($this->figure)->id, $this->name, ['base' => $this->base])];
    }
}
