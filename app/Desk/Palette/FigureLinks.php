<?php

declare(strict_types=1);

namespace App\Desk\Palette;

use App\Desk\SeriesOps\FollowFigure;
use App\Models\Figure;
use App\Models\User;

/** Figures that follow those of other series, brought up to date when these have changed. */
final class FigureLinks
{
    /** @return int how many were out of date */
    public function catchUp(): int
    {
        /** @var list<Figure> $behind */
        $behind = Figure::living()
            ->with('series')
            ->select('figures.*')
            ->join('figures as sources', 'sources.id', '=', 'figures.follows_id')
            ->join('series as homes', 'homes.id', '=', 'sources.series_id')
            ->whereColumn('homes.palette_version', '!=', 'figures.followed_version')
            ->get()
            ->all();
        $changed = 0;
        foreach ($behind as $figure) {
            $changed += $this->bringUp($figure) ? 1 : 0;
        }

        return $changed;
    }

    private function bringUp(Figure $figure): bool
    {
        $source = $figure->followed;
        $user = $figure->linked_by === null ? null : User::query()->find($figure->linked_by);
        if ($source === null) {
            return false;
        }
        // Read before its materials are: what changes meanwhile is seen the next time.
        $version = $source->series->palette_version;
        $changed =
            $user !== null &&
            $user->roleIn($source->series) !== null &&
            (new SeriesDesk)->applyIfDue($figure->series, $user, new FollowFigure($figure));
        Figure::query()
            ->whereKey($figure->id)
            ->update(['followed_version' => $version]);

        return $changed;
    }
}
