<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

/** Porter and Duff's operators beside source-over that layer files use (W3C Compositing Level 1, section 9.1). */
enum Operator: string
{
    case SourceAtop = 'src-atop';
    case DestinationIn = 'dst-in';
    case DestinationOut = 'dst-out';
    case DestinationAtop = 'dst-atop';
}
