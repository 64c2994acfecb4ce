<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** What hue shades turn to. */
enum ShadeHue: string
{
    /** The opposite of the light's: yellow light, blue shade (common practice). */
    case Opposite = 'opposite';

    /** Blue, whatever the light: under open sky, and at night (common practice). */
    case Blue = 'blue';
}
