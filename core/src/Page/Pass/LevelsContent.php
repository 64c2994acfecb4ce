<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\Channel;
use Awning\Core\Colour\LevelsCurve;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Stretches the lightness of what lies beneath: what is as dark as one value becomes black, or what black shall be; as
 * light as another white; and the middle between them moves. Of all channels or of one.
 *
 * @phpstan-type LevelsData array{kind: 'levels', channel: value-of<Channel>, black: float, white: float, middle: float,
 *     low: float, high: float}
 */
final readonly class LevelsContent implements AlteringContent, PassContent
{
    use AltersBeneath;

    /** The black and the white point must be apart by so much. */
    public const APART = 0.01;

    /**
     * @param  float  $black  0..1 of what becomes black
     * @param  float  $white  0..1 of what becomes white; above black
     * @param  float  $middle  0.1..10: above 1 what lies between them becomes lighter, below darker
     * @param  float  $low  0..1: what black becomes
     * @param  float  $high  0..1: what white becomes
     */
    public function __construct(
        public float $black = 0.0,
        public float $white = 1.0,
        public float $middle = 1.0,
        public float $low = 0.0,
        public float $high = 1.0,
        public Channel $channel = Channel::All,
    ) {
        Bounds::number('black', $black, 0, 1 - self::APART);
        Bounds::number('white', $white, self::APART, 1);
        Bounds::number('middle', $middle, 0.1, 10);
        Bounds::number('low', $low, 0, 1);
        Bounds::number('high', $high, 0, 1);
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
            $data->number('low', 0, 1, 0.0),
            $data->number('high', 0, 1, 1.0),
            CurveContent::channelOf($data),
        );
    }

    /** @return LevelsData */
    public function toData(): array
    {
        return [
            'kind' => 'levels',
            'channel' => $this->channel->value,
            'black' => $this->black,
            'white' => $this->white,
            'middle' => $this->middle,
            'low' => $this->low,
            'high' => $this->high,
        ];
    }

    public function alteration(): Alteration
    {
        return new LevelsCurve($this->black, $this->white, $this->middle, $this->low, $this->high, $this->channel);
    }

    public function kind(): PassKind
    {
        return PassKind::Levels;
    }
}
