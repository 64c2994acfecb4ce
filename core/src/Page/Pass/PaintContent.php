<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;

/**
 * A colour of its own at each pixel.
 *
 * @phpstan-type PaintData array{kind: 'paint'}
 */
final readonly class PaintContent implements PassContent
{
    use LaysOver;

    public static function fromData(Data $data): self
    {
        return new self;
    }

    /** @return PaintData */
    public function toData(): array
    {
        return ['kind' => 'paint'];
    }

    public function kind(): PassKind
    {
        return PassKind::Paint;
    }

    public static function layer(): LayerKind
    {
        return LayerKind::Paint;
    }
}
