<?php

declare(strict_types=1);

namespace Awning\Core\Page;

enum Solid: string
{
    /** Round, as its outline says. */
    case Round = 'round';

    /** A sheet that faces the reader: a page, a board, a painted patch. */
    case Flat = 'flat';

    /** One ball, whatever its outline: a head, an eye. */
    case Ball = 'ball';

    /** A tube along its longer side: an arm, a mast. */
    case Tube = 'tube';

    /** No body but a light itself: a flame, a lit window, the moon. It has no shade, and glows. */
    case Shining = 'shining';
}
