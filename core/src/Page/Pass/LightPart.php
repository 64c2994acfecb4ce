<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

/** What of the page's light a tint may have its colour from. */
enum LightPart: string
{
    /** The light's own colour. */
    case Light = 'light';

    /** Ambient light: of the sky, of the room. */
    case Around = 'around';

    /** The opposite of the light: what shades lean to. */
    case Opposite = 'opposite';

    /** What a first light gave it: its own colour, which is another when light is roughed in anew. */
    case Given = 'given';
}
