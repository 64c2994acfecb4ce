<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** What a layer holds at each pixel. */
enum LayerKind: string
{
    /** How much: ink, a tone pass, a tint pass. */
    case Coverage = 'coverage';

    /** Which region. */
    case Labels = 'labels';

    /** A colour of its own and its alpha, a plane each. */
    case Paint = 'paint';

    public function bytesPerPixel(): int
    {
        return match ($this) {
            self::Coverage => 1,
            self::Labels => 2,
            self::Paint => 4,
        };
    }
}
