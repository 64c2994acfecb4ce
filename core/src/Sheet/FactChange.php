<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** One fact before and after; null is no such fact. */
final readonly class FactChange
{
    /**
     * @param  ?array<string, mixed>  $before
     * @param  ?array<string, mixed>  $after
     */
    public function __construct(public FactKind $kind, public string $key, public ?array $before, public ?array $after)
    {
    }
}
