<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * Levels, as sRGB codes them: v becomes low + (high - low) * clamp((v - black) / (white - black)) to the power of
 * 1 / middle. Common practice.
 */
final readonly class LevelsCurve implements Alteration
{
    use ChannelByChannel;

    /**
     * @param  float  $black  0..1
     * @param  float  $white  0..1, above black
     * @param  float  $middle  above 0
     * @param  float  $low  0..1: what black becomes
     * @param  float  $high  0..1: what white becomes; below low they change places
     */
    public function __construct(
        private float $black,
        private float $white,
        private float $middle,
        private float $low = 0.0,
        private float $high = 1.0,
        private Channel $channel = Channel::All,
    ) {
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
        $share = max(0.0, min(1.0, ($value - $this->black) / ($this->white - $this->black))) ** (1 / $this->middle);

        return $this->low + ($this->high - $this->low) * $share;
    }
}
