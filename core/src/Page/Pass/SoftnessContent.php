<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Makes what lies beneath soft, as what is out of focus.
 *
 * @phpstan-type SoftnessData array{kind: 'softness', reach: float}
 */
final readonly class SoftnessContent implements PassContent
{
    use LooksAround;

    /** px: the widest that a picture is composed beside what is asked for follows from it. */
    public const MOST = 60.0;

    /** @param  float  $reach  the standard deviation of the blur, 0.5..60 px */
    public function __construct(public float $reach = 6.0)
    {
        Bounds::number('reach', $reach, 0.5, self::MOST);
    }

    public static function fromData(Data $data): self
    {
        return new self($data->number('reach', 0.5, self::MOST, 6.0));
    }

    /** @return SoftnessData */
    public function toData(): array
    {
        return ['kind' => 'softness', 'reach' => $this->reach];
    }

    public function kind(): PassKind
    {
        return PassKind::Softness;
    }
}
