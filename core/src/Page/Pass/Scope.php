<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Data;

/**
 * What a pass is clipped to: the page, the ink, a figure, a material, or everything farther away than a figure.
 *
 * @phpstan-type ScopeData array{kind: value-of<ScopeKind>, id: int}
 */
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

    /** Everything farther away than a figure. */
    public static function behind(int $figure): self
    {
        return new self(ScopeKind::Behind, $figure);
    }

    public static function material(int $id): self
    {
        return new self(ScopeKind::Material, $id);
    }

    /** @throws \InvalidArgumentException when a figure or material is not named */
    public static function of(ScopeKind $kind, int $id): self
    {
        if ($kind->names() && $id < 1) {
            throw new \InvalidArgumentException('A pass that keeps to a figure or a material must say which.');
        }

        return new self($kind, $id);
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        return self::of(
            $data->choice(
                'kind',
                ScopeKind::class,
                'A pass stays inside the page, the ink, a figure, a material, or behind a figure; say which.',
            ),
            $data->int('id', 0, PHP_INT_MAX, 0),
        );
    }

    /** @return ScopeData */
    public function toData(): array
    {
        return ['kind' => $this->kind->value, 'id' => $this->id];
    }

    /** Whether it lets through what is of this figure and material. */
    public function holds(int $figure, int $material): bool
    {
        return match ($this->kind) {
            ScopeKind::Page, ScopeKind::Ink, ScopeKind::Behind => true,
            ScopeKind::Figure => $figure === $this->id,
            ScopeKind::Material => $material === $this->id,
        };
    }
}
