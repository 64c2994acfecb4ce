<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

/** Where the lines of a page take their colour from; colour holds lie over it. */
enum LineRule: string
{
    case Black = 'black';

    /** The line tone of the material beneath each stretch; black where nothing is filled. */
    case Tone = 'tone';

    /**
     * Darker than whatever lies beneath: its colours times one colour. Holds are multiplied with it, too; a white one
     * lets lines go.
     */
    case Beneath = 'beneath';

    /** One colour for all of them. */
    case Colour = 'colour';
}
