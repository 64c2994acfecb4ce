<?php

declare(strict_types=1);

namespace App\Desk;

/** How a client asks for a change: under an id of its own, on the revision it knows, holding the page. */
final readonly class Asked
{
    /** @param  string  $id  asking again with the same id changes nothing more and gets the same answer */
    public function __construct(public string $id, public int $base, public string $lease)
    {
    }
}
