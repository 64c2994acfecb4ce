<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Models\Figure;
use App\Models\Series;

/** A new material of a figure, after those it has. */
final readonly class AddMaterial implements SeriesOp
{
    use FigureChange;
    use MaterialChange;

    /** @param  string  $base  #rrggbb */
    public function __construct(private Figure $figure, private string $name, private string $base)
    {
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
