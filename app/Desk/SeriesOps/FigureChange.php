<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Conflict;
use App\Models\Figure;

/** A change to one figure, or to what it has. */
trait FigureChange
{
    /**
     * The figure, held until the change is made.
     *
     * @throws Conflict when it has been taken out of the palette since it was shown
     */
    private static function standing(Figure $figure): Figure
    {
        $row = Figure::query()->lockForUpdate()->findOrFail($figure->id);
        if ($row->retired) {
            throw new Conflict("Somebody took $row->name out of the palette meanwhile. Undo brings it back.", [
                'reason' => 'palette',
                'theirs' => null,
                'yours' => null,
            ]);
        }

        return $row;
    }

    /**
     * The same, where what it is itself shall change.
     *
     * @throws Conflict when it follows another series', too
     */
    private static function ownOf(Figure $figure): Figure
    {
        $row = self::standing($figure);
        if ($row->followed !== null) {
            throw new Conflict(
                "$row->name follows {$row->followed->series->name}. Change it there, or stop following it first.",
                ['reason' => 'palette', 'theirs' => null, 'yours' => null],
            );
        }

        return $row;
    }
}
