<?php

declare(strict_types=1);

namespace Awning\Core\Page\Region;

/** How a bridge came about, and what is to be done with it when regions are found anew. */
enum BridgeKind: string
{
    /** Found and made; looked for again each time. */
    case Found = 'found';

    /** Drawn by hand, or found and kept: it stays. */
    case Kept = 'kept';

    /** Found, and not sure enough to be made without being asked. */
    case Doubtful = 'doubtful';

    /** Taken away by hand: it is not made again. */
    case Refused = 'refused';

    /** Whether it closes anything. */
    public function isMade(): bool
    {
        return $this === self::Found || $this === self::Kept;
    }

    /** Whether it was decided by hand. */
    public function isDecided(): bool
    {
        return $this === self::Kept || $this === self::Refused;
    }
}
