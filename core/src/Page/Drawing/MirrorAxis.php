<?php

declare(strict_types=1);

namespace Awning\Core\Page\Drawing;

use Awning\Core\Page\Data;
use Awning\Core\Page\PageSize;
use Awning\Core\Raster\Projection;

/**
 * A line on the page in which a hand is mirrored.
 *
 * @phpstan-type AxisData array{x: float, y: float, turn: float}
 */
final readonly class MirrorAxis
{
    /**
     * @param  float  $x  px of the page: a place it goes through
     * @param  float  $turn  radians; 0 is upright, and it turns against the clock
     */
    public function __construct(private float $x, private float $y, private float $turn)
    {
    }

    /** @throws \InvalidArgumentException */
    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('x', -PageSize::MOST, 2 * PageSize::MOST),
            $data->number('y', -PageSize::MOST, 2 * PageSize::MOST),
            $data->number('turn', -M_PI, M_PI, 0),
        );
    }

    /**
     * The axis that an op's input names as its mirror; null: there is none.
     *
     * @throws \InvalidArgumentException
     */
    public static function ofInput(Data $input): ?self
    {
        return $input->has('mirror') ? self::fromData($input->map('mirror')) : null;
    }

    /** @return AxisData */
    public function toData(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'turn' => $this->turn];
    }

    /** @return array{float, float} where a place is seen in the mirror */
    public function mirrored(float $x, float $y): array
    {
        [$right, $down] = [sin($this->turn), cos($this->turn)];
        $along = ($x - $this->x) * $right + ($y - $this->y) * $down;

        return [2 * ($this->x + $along * $right) - $x, 2 * ($this->y + $along * $down) - $y];
    }

    /**
     * @param  list<array{float, float}>  $places
     * @return ($places is non-empty-list ? non-empty-list<array{float, float}> : list<array{float, float}>)
     */
    public function all(array $places): array
    {
        return array_map(fn (array $place): array => $this->mirrored(...$place), $places);
    }

    public function projection(): Projection
    {
        [$right, $down] = [sin($this->turn), cos($this->turn)];
        [$x, $y] = $this->mirrored(0, 0);

        return Projection::matrix(
            2 * $right ** 2 - 1,
            2 * $right * $down,
            2 * $right * $down,
            2 * $down ** 2 - 1,
            $x,
            $y,
        );
    }
}
