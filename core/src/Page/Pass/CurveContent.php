<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Alteration;
use Awning\Core\Colour\Channel;
use Awning\Core\Colour\MonotoneCurve;
use Awning\Core\Colour\ToneCurve;
use Awning\Core\Page\Data;

/**
 * A curve through points, from how light things are beneath to how light they become; of all channels or of one.
 *
 * @phpstan-type CurveData array{kind: 'curve', channel: value-of<Channel>, points: list<array{float, float}>}
 */
final readonly class CurveContent implements AlteringContent, PassContent
{
    use AltersBeneath;

    public const MOST_POINTS = 12;

    /** Points must be apart by so much. */
    public const APART = 0.01;

    /** @param  non-empty-list<array{float, float}>  $points  from and to, 0..1, two to twelve, from left to right */
    public function __construct(public array $points, public Channel $channel = Channel::All)
    {
        $before = -1.0;
        foreach ($points as [$from, $to]) {
            if (! ($from >= 0 && $from <= 1 && $to >= 0 && $to <= 1)) {
                throw new \InvalidArgumentException('The points of a curve lie between 0 and 1.');
            }
            if ($from - $before < self::APART - 1e-9) {
                throw new \InvalidArgumentException('The points of a curve go from left to right, a hundredth apart.');
            }
            $before = $from;
        }
        if (count($points) < 2 || count($points) > self::MOST_POINTS) {
            throw new \InvalidArgumentException('A curve goes through two to twelve points.');
        }
    }

    public static function fromData(Data $data): self
    {
        $points = array_map(
            fn (mixed $point): array => Data::place($point, 0, 1, 'The points of a curve lie between 0 and 1.'),
            $data->list('points', self::MOST_POINTS),
        );
        if ($points === []) {
            throw new \InvalidArgumentException('A curve goes through two to twelve points.');
        }

        return new self(array_values($points), self::channelOf($data));
    }

    public static function channelOf(Data $data): Channel
    {
        return $data->choice('channel', Channel::class, 'A channel is all, red, green or blue.', Channel::All);
    }

    /** @return CurveData */
    public function toData(): array
    {
        return ['kind' => 'curve', 'channel' => $this->channel->value, 'points' => $this->points];
    }

    public function alteration(): Alteration
    {
        return new ToneCurve(new MonotoneCurve($this->points), $this->channel);
    }

    public function kind(): PassKind
    {
        return PassKind::Curve;
    }
}
