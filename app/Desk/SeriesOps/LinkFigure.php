<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use App\Models\Figure;
use App\Models\Series;
use App\Models\User;

/** A figure of another series as a link: it is what that one is, and follows when it changes. */
final readonly class LinkFigure implements ClientSeriesOp
{
    /** @param  User  $user  who may see the other series: the link ends when they may no longer */
    public function __construct(private Figure $source, private User $user)
    {
    }

    public static function fromInput(OpInput $asked): self
    {
        $input = $asked->checked(['figure' => 'required|integer']);

        return new self($asked->figureElsewhere($input->integer('figure')), $asked->user);
    }

    public static function answers(): SeriesPart
    {
        return SeriesPart::Palette;
    }

    public static function kind(): string
    {
        return 'figure.link';
    }

    public static function form(): int
    {
        return 1;
    }

    public function title(): string
    {
        return "Follow {$this->source->name} of {$this->source->series->name}";
    }

    public function toInput(): array
    {
        return ['figure' => $this->source->id];
    }

    public function apply(Series $series): array
    {
        [[$kind, $id]] = (new AddFigure($this->source->name))->apply($series);
        $figure = Figure::query()->findOrFail($id);
        $figure
            ->forceFill([
                'follows_id' => $this->source->id,
                'linked_by' => $this->user->id,
                'followed_version' => $this->source->series->palette_version,
            ])
            ->save();

        return [[$kind, $id, null, $figure->toRecord()], ...(new FollowFigure($figure))->apply($series)];
    }
}
