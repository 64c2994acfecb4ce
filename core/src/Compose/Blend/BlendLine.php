<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Page\Pass\BlendMode;

/** How far one colour moves a backdrop, B(cb, cs) - cb, where that is a straight line of the backdrop. */
final readonly class BlendLine
{
    private function __construct(public float $slope, public float $rise)
    {
    }

    /**
     * @param  float  $s  source, 0..1
     * @return ?self null for a mode that bends, whatever the source
     */
    public static function of(BlendMode $mode, float $s): ?self
    {
        return match ($mode) {
            BlendMode::Normal => new self(-1, $s),
            BlendMode::Multiply => new self($s - 1, 0),
            BlendMode::Screen => new self(-$s, $s),
            BlendMode::HardLight => $s <= 0.5 ? new self(2 * $s - 1, 0) : new self(1 - 2 * $s, 2 * $s - 1),
            BlendMode::Exclusion => new self(-2 * $s, $s),
            default => null,
        };
    }
}
