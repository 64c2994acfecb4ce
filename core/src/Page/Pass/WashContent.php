<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;

/**
 * One colour over all that the pass reaches.
 *
 * @phpstan-type WashData array{kind: 'wash', colour: string}
 */
final readonly class WashContent implements PassContent
{
    use LaysOver;

    public function __construct(public Rgb $colour)
    {
    }

    public static function fromData(Data $data): self
    {
        return new self(Rgb::fromHex($data->text('colour')));
    }

    /** @return WashData */
    public function toData(): array
    {
        return ['kind' => 'wash', 'colour' => $this->colour->hex()];
    }

    public function kind(): PassKind
    {
        return PassKind::Wash;
    }

    public static function layer(): null
    {
        return null;
    }
}
