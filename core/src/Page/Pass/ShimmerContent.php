<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Heat that makes what lies beneath tremble: pixels are moved aside in waves.
 *
 * @phpstan-type ShimmerData array{kind: 'shimmer', height: float, length: float, angle: float, seed: int}
 */
final readonly class ShimmerContent implements PassContent
{
    use LooksAround;

    /** Thousandths of the page's longer side. */
    public const MOST_HEIGHT = 10.0;

    public const LEAST_LENGTH = 2.0;

    public const MOST_LENGTH = 200.0;

    /**
     * @param  float  $height  how far pixels are moved at the most: 0..10 thousandths of the page's longer side
     * @param  float  $length  from wave to wave: 2..200 thousandths
     * @param  float  $angle  which way waves follow each other, in degrees from straight down towards the right:
     *     -180..180
     * @param  int  $seed  0..65535
     */
    public function __construct(
        public float $height = 1.5,
        public float $length = 18.0,
        public float $angle = 0.0,
        public int $seed = 1,
    ) {
        Bounds::number('height', $height, 0, self::MOST_HEIGHT);
        Bounds::number('length', $length, self::LEAST_LENGTH, self::MOST_LENGTH);
        Bounds::number('angle', $angle, -180, 180);
        Bounds::whole('seed', $seed, 0, 65535);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('height', 0, self::MOST_HEIGHT, 1.5),
            $data->number('length', self::LEAST_LENGTH, self::MOST_LENGTH, 18.0),
            $data->number('angle', -180, 180, 0.0),
            $data->int('seed', 0, 65535, 1),
        );
    }

    /** @return ShimmerData */
    public function toData(): array
    {
        return [
            'kind' => 'shimmer',
            'height' => $this->height,
            'length' => $this->length,
            'angle' => $this->angle,
            'seed' => $this->seed,
        ];
    }

    public function kind(): PassKind
    {
        return PassKind::Shimmer;
    }
}
