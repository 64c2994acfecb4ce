<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/** A curve from values as sRGB codes them to others. */
final readonly class ToneCurve implements Alteration
{
    use ChannelByChannel;

    public function __construct(private MonotoneCurve $curve, private Channel $channel = Channel::All)
    {
    }

    public function of(array $colour): array
    {
        return $this->channel->of($colour, $this->value(...));
    }

    public function tables(): array
    {
        return $this->channel->tables($this->value(...));
    }

    private function value(float $value): float
    {
        return max(0.0, min(1.0, $this->curve->at($value)));
    }
}
