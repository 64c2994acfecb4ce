<?php

declare(strict_types=1);

namespace App\Store;

final class TileMissing extends \RuntimeException
{
    public function __construct(string $hash)
    {
        parent::__construct("The tile $hash is missing or damaged. Restore the database from a backup.");
    }
}
