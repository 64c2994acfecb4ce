<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;
use Awning\Core\Page\LayerKind;

/**
 * One colour everywhere: its own, or one of the page's light.
 *
 * @phpstan-type TintData array{kind: 'tint', colour: string, follows: ?value-of<LightPart>}
 */
final readonly class TintContent implements PassContent
{
    use LaysOver;

    /** @param  ?LightPart  $follows  what of the page's light it has its colour from; null: it is its own */
    public function __construct(public Rgb $colour, public ?LightPart $follows = null)
    {
    }

    public static function fromData(Data $data): self
    {
        return new self(
            Rgb::fromHex($data->text('colour')),
            $data->has('follows')
                ? $data->choice(
                    'follows',
                    LightPart::class,
                    'A tint follows the light, what is around, the opposite of the light, or what a first light '
                        .'gave it.',
                )
                : null,
        );
    }

    /** @return TintData */
    public function toData(): array
    {
        return ['kind' => 'tint', 'colour' => $this->colour->hex(), 'follows' => $this->follows?->value];
    }

    public function kind(): PassKind
    {
        return PassKind::Tint;
    }

    public static function layer(): LayerKind
    {
        return LayerKind::Coverage;
    }
}
