<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

/** What a drawing is on the page. */
enum DrawingRole: string
{
    case Ink = 'ink';

    /** Shown tinted to draw over; never in the picture, never filled from. */
    case Underdrawing = 'underdrawing';
}
