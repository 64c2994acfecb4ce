<?php

declare(strict_types=1);

namespace Awning\Core\Page;

/** A colour of its own at each pixel. */
final readonly class PaintContent implements PassContent
{
    public static function fromData(Data $data): self
    {
        return new self;
    }

    public function toData(): array
    {
        return [];
    }

    public function kind(): PassKind
    {
        return PassKind::Paint;
    }
}
