<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** A block whose layers are already at hand. */
final readonly class PageBlock implements Block
{
    /**
     * @param  array<string, string>  $coverage  by layer
     * @param  array<string, Pixels>  $paint  by layer
     */
    public function __construct(private int $size, private ?string $labels = null, private array $coverage = [], private array $paint = [])
    {
    }

    public function size(): int
    {
        return $this->size;
    }

    public function labels(): ?string
    {
        return $this->labels;
    }

    public function coverage(string $layer): ?string
    {
        return $this->coverage[$layer] ?? null;
    }

    public function paint(string $layer): ?Pixels
    {
        return $this->paint[$layer] ?? null;
    }
}
