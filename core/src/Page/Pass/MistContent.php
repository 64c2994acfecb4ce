<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Patches of one colour that follow from the place on the page and a seed: the same every time, on every screen.
 *
 * @phpstan-type MistData array{kind: 'mist', colour: string, size: float, density: float, seed: int}
 */
final readonly class MistContent implements PassContent
{
    use LaysOver;

    /**
     * @param  float  $size  of a patch, 8..4000 px
     * @param  float  $density  0..1: how much of what lies beneath the densest patch hides
     * @param  int  $seed  0..65535
     */
    public function __construct(
        public Rgb $colour,
        public float $size = 400.0,
        public float $density = 0.8,
        public int $seed = 1,
    ) {
        Bounds::number('size', $size, 8, 4000);
        Bounds::number('density', $density, 0, 1);
        Bounds::whole('seed', $seed, 0, 65535);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            Rgb::fromHex($data->text('colour')),
            $data->number('size', 8, 4000, 400.0),
            $data->number('density', 0, 1, 0.8),
            $data->int('seed', 0, 65535, 1),
        );
    }

    /** @return MistData */
    public function toData(): array
    {
        return [
            'kind' => 'mist',
            'colour' => $this->colour->hex(),
            'size' => $this->size,
            'density' => $this->density,
            'seed' => $this->seed,
        ];
    }

    public function kind(): PassKind
    {
        return PassKind::Mist;
    }

    public static function layer(): null
    {
        return null;
    }
}
