<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Stretches the lightness of what lies beneath: what is as dark as one value becomes black, as light as another white,
 * and the middle between them moves.
 *
 * @phpstan-type LevelsData array{kind: 'levels', black: float, white: float, middle: float}
 */
final readonly class LevelsContent implements PassContent
{
    /** The black and the white point must be apart by so much. */
    public const APART = 0.01;

    /**
     * @param  float  $black  0..1 of what becomes black
     * @param  float  $white  0..1 of what becomes white; above black
     * @param  float  $middle  0.1..10: above 1 what lies between them becomes lighter, below darker
     */
    public function __construct(public float $black = 0.0, public float $white = 1.0, public float $middle = 1.0)
    {
        Bounds::number('black', $black, 0, 1 - self::APART);
        Bounds::number('white', $white, self::APART, 1);
        Bounds::number('middle', $middle, 0.1, 10);
        if ($white - $black < self::APART - 1e-9) {
            throw new \InvalidArgumentException('The white point lies above the black point.');
        }
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('black', 0, 1, 0.0),
            $data->number('white', 0, 1, 1.0),
            $data->number('middle', 0.1, 10, 1.0),
        );
    }

    /** @return LevelsData */
    public function toData(): array
    {
        return ['kind' => 'levels', 'black' => $this->black, 'white' => $this->white, 'middle' => $this->middle];
    }

    public function kind(): PassKind
    {
        return PassKind::Levels;
    }

    public static function layer(): null
    {
        return null;
    }

    public static function alters(): bool
    {
        return true;
    }

    public static function looksAround(): bool
    {
        return false;
    }
}
