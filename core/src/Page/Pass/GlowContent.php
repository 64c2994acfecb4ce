<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * The glow of what is bright beneath: that is made soft and laid over the picture again. How strong it is, is the
 * opacity of the pass.
 *
 * @phpstan-type GlowData array{kind: 'glow', threshold: float, reach: float}
 */
final readonly class GlowContent implements PassContent
{
    use LooksAround;

    /** Thousandths of the page's longer side. */
    public const LEAST_REACH = 0.5;

    public const MOST_REACH = 30.0;

    /**
     * @param  float  $threshold  0..0.99: how bright the brightest channel must be at the least
     * @param  float  $reach  the standard deviation of the blur, 0.5..30 thousandths of the page's longer side
     */
    public function __construct(public float $threshold = 0.75, public float $reach = 6.0)
    {
        Bounds::number('threshold', $threshold, 0, 0.99);
        Bounds::number('reach', $reach, self::LEAST_REACH, self::MOST_REACH);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('threshold', 0, 0.99, 0.75),
            $data->number('reach', self::LEAST_REACH, self::MOST_REACH, 6.0),
        );
    }

    /** @return GlowData */
    public function toData(): array
    {
        return ['kind' => 'glow', 'threshold' => $this->threshold, 'reach' => $this->reach];
    }

    public function kind(): PassKind
    {
        return PassKind::Glow;
    }
}
