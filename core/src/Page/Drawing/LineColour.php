<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

/** What of a drawing in colour is an underdrawing and is dropped. */
enum LineColour: string
{
    /** What is lighter than the ink; lines as dark as ink stay whatever their colour. */
    case Auto = 'auto';

    /** Nothing is dropped. */
    case Keep = 'keep';

    case Blue = 'blue';

    case Red = 'red';

    /** All that is coloured is dropped. */
    case All = 'all';
}
