<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Page\Region\Bridge;

/** What was made of all bridges that may be. */
final readonly class FoundBridges
{
    /**
     * @param  list<Bridge>  $made
     * @param  list<Bridge>  $doubtful  not sure enough to be made without being asked
     */
    public function __construct(public array $made, public array $doubtful)
    {
    }
}
