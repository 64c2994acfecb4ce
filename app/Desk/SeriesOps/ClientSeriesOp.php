<?php

declare(strict_types=1);

namespace App\Desk\SeriesOps;

use App\Desk\Palette\SeriesPart;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Validation\ValidationException;

/** A change to a series that a window may ask for. One class, and one line in SeriesOpKinds. */
interface ClientSeriesOp extends SeriesOp
{
    /**
     * Reads what was asked for, and looks up what it names in the series.
     *
     * @throws ValidationException when a value is missing or not allowed
     * @throws ModelNotFoundException when it names what the series does not have
     */
    public static function fromInput(OpInput $asked): self;

    /** Which part of the series the window is answered with. */
    public static function answers(): SeriesPart;
}
