<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

enum TipKind: string
{
    case Round = 'round';
    case Flat = 'flat';
    /** A comb of bristles across the stroke. */
    case Bristle = 'bristle';
    /** Crumbs of chalk. */
    case Grain = 'grain';
    case Splatter = 'splatter';
    /** A few single hairs across the stroke. */
    case Strands = 'strands';
    case Sparkle = 'sparkle';
    /** A picture somebody brought. */
    case Picture = 'picture';
}
