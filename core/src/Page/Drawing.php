<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/**
 * A drawing that was brought in: the original it comes from, how it is cleaned, where it lies and what it is.
 *
 * @phpstan-import-type CleanData from CleanSettings
 * @phpstan-import-type PlacementData from Placement
 *
 * @phpstan-type FoundData array{paper: int, ink: int, askew: ?float, turned: float, specks: int, share: float, dropped: list<string>, sheet: ?list<array{float, float}>}
 * @phpstan-type DrawingData array{original: int, name: string, width: int, height: int, clean: CleanData, place: PlacementData, role: value-of<DrawingRole>, tint: string, strength: float, visible: bool, found: FoundData}
 */
final readonly class Drawing implements Record
{
    /** Blue, so that it cannot be confused with the ink; half strength (both common practice). */
    public const TINT = '#4a8fe0';

    public const STRENGTH = 0.5;

    /**
     * @param  int  $original  the file it was read from
     * @param  int  $width  of the original, px, upright
     * @param  string  $tint  of an underdrawing, #rrggbb
     * @param  float  $strength  of an underdrawing, 0..1
     * @param  FoundData  $found  what cleaning it found
     */
    public function __construct(
        public int $original, public string $name, public int $width, public int $height,
        public CleanSettings $clean, public Placement $place,
        public DrawingRole $role, public string $tint, public float $strength, public bool $visible,
        public array $found,
    ) {
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Drawing;
    }

    public static function fromData(Data $data): self
    {
        $tint = $data->text('tint', self::TINT);
        if (preg_match('/^#[0-9a-f]{6}$/D', $tint) !== 1) {
            throw new \InvalidArgumentException('A tint is a colour like #4a8fe0.');
        }
        /** @var FoundData $found */
        $found = $data->map('found')->all();

        return new self(
            $data->int('original', 0, PHP_INT_MAX), $data->text('name'), $data->int('width', 1, PageSize::MOST), $data->int('height', 1, PageSize::MOST),
            CleanSettings::fromData($data->map('clean')), Placement::fromData($data->map('place')),
            $data->choice('role', DrawingRole::class, 'A drawing is ink or an underdrawing.', DrawingRole::Ink), $tint,
            $data->number('strength', 0, 1, self::STRENGTH), $data->flag('visible', true), $found,
        );
    }

    /** @return DrawingData */
    public function toData(): array
    {
        return [
            'original' => $this->original, 'name' => $this->name, 'width' => $this->width, 'height' => $this->height,
            'clean' => $this->clean->toData(), 'place' => $this->place->toData(),
            'role' => $this->role->value, 'tint' => $this->tint, 'strength' => $this->strength, 'visible' => $this->visible, 'found' => $this->found,
        ];
    }

    public function placed(Placement $place): self
    {
        return new self($this->original, $this->name, $this->width, $this->height, $this->clean, $place, $this->role, $this->tint, $this->strength, $this->visible, $this->found);
    }

    /** Whether its lines are among the page's ink. */
    public function isInked(): bool
    {
        return $this->role === DrawingRole::Ink && $this->visible;
    }
}
