<?php

declare(strict_types=1);

namespace App\Desk\Palette;

/** A change to a palette left all records as they were. Thrown to take back what it wrote. */
final class NothingAltered extends \RuntimeException
{
    /**
     * @param  list<array{string, int, ?array<string, mixed>, ?array<string, mixed>}>  $records  what it looked at:
     *     kind, id, before, after
     */
    public function __construct(public readonly array $records)
    {
        parent::__construct('Nothing was altered.');
    }
}
