<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/** What a place is at which a line may have been cut. */
enum EndKind
{
    /** Where a stroke ends. */
    case Tip;

    /** Where two strokes meet and jut out: a third may have been cut off there. */
    case Corner;

    /** A bit of a stroke between two cuts, too short to tell which way it went. */
    case Dot;
}
