<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** The six colours of a material: five from dark to light, and that of its line. */
enum Tone: string
{
    case Deep = 'deep';
    case Shade = 'shade';
    case Base = 'base';
    case Light = 'light';
    case Glint = 'glint';
    case Line = 'line';
}
