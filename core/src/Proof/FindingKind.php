<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

enum FindingKind: string
{
    /** A region so small that it may be a crumb. */
    case Crumb = 'crumb';

    /** A region of a figure that touches nothing else of it. */
    case Alone = 'alone';

    /** Two neighbours of different materials whose colours cannot be told apart. */
    case Alike = 'alike';

    /** Pixels of a region that lie apart from the rest of it. */
    case Stray = 'stray';

    /** Pixels of a region that show beyond the line that bounds it. */
    case Spill = 'spill';
}
