<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** What a pass is clipped to: the page, the ink, a figure or a material. */
final readonly class Scope
{
    private function __construct(public ScopeKind $kind, public int $id)
    {
    }

    public static function page(): self
    {
        return new self(ScopeKind::Page, 0);
    }

    public static function ink(): self
    {
        return new self(ScopeKind::Ink, 0);
    }

    public static function figure(int $id): self
    {
        return new self(ScopeKind::Figure, $id);
    }

    public static function material(int $id): self
    {
        return new self(ScopeKind::Material, $id);
    }

    /** @throws \InvalidArgumentException when a figure or material is not named */
    public static function of(ScopeKind $kind, int $id): self
    {
        if (($kind === ScopeKind::Figure || $kind === ScopeKind::Material) && $id < 1) {
            throw new \InvalidArgumentException("A pass inside a {$kind->value} must say which.");
        }

        return new self($kind, $id);
    }

    public function holds(?Flat $flat): bool
    {
        return match ($this->kind) {
            ScopeKind::Page, ScopeKind::Ink => true,
            ScopeKind::Figure => $flat !== null && $flat->figure === $this->id,
            ScopeKind::Material => $flat !== null && $flat->material === $this->id,
        };
    }
}
