<?php

declare(strict_types=1);

namespace App\Desk\Light;

/** How finely a light that is tried is worked out. */
enum Sharpness
{
    /** While a hand drags. */
    case Quick;

    /** When it rests. */
    case Fine;

    /** So many pixels of a figure are shown. */
    public function pixels(): int
    {
        return $this === self::Quick ? 12_000 : 150_000;
    }

    /** Bodies turn slowly: of each place so many pixels tell. */
    public function bodies(): int
    {
        return $this === self::Quick ? 3_000 : 20_000;
    }

    /** The finest level of the page that is looked at. */
    public function finest(): int
    {
        return $this === self::Quick ? 2 : 1;
    }
}
