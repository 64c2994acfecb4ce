<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Rgb;

/** One colour everywhere. */
final readonly class TintContent implements PassContent
{
    public function __construct(public Rgb $colour)
    {
    }

    public static function fromData(Data $data): self
    {
        return new self(Rgb::fromHex($data->text('colour')));
    }

    public function toData(): array
    {
        return ['colour' => $this->colour->hex()];
    }

    public function kind(): PassKind
    {
        return PassKind::Tint;
    }
}
