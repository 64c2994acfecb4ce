<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Patches of one colour that follow from the place on the page and a seed: the same every time, on every screen.
 * Without texture they are an even fog. Mist may lie between two heights of the page.
 *
 * @phpstan-type MistData array{kind: 'mist', colour: string, size: float, density: float, seed: int, texture: float,
 *     top: float, bottom: float, fade: float}
 */
final readonly class MistContent implements WeatherContent
{
    use LaysOver;

    /**
     * @param  float  $size  of a patch, 8..4000 px
     * @param  float  $density  0..1: how much of what lies beneath the densest patch hides
     * @param  int  $seed  0..65535
     * @param  float  $texture  0..1: 1 is patches, 0 an even fog
     * @param  float  $top  where it begins, as a part of the page's height from above: -1..2
     * @param  float  $bottom  where it ends: -1..2
     * @param  float  $fade  how far beyond them it thins out to nothing, as a part of the height: 0..1
     */
    public function __construct(
        public Rgb $colour,
        public float $size = 400.0,
        public float $density = 0.8,
        public int $seed = 1,
        public float $texture = 1.0,
        public float $top = -1.0,
        public float $bottom = 2.0,
        public float $fade = 0.2,
    ) {
        Bounds::number('size', $size, 8, 4000);
        Bounds::number('density', $density, 0, 1);
        Bounds::whole('seed', $seed, 0, 65535);
        Bounds::number('texture', $texture, 0, 1);
        Bounds::number('top', $top, -1, 2);
        Bounds::number('bottom', $bottom, -1, 2);
        Bounds::number('fade', $fade, 0, 1);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            Rgb::fromHex($data->text('colour')),
            $data->number('size', 8, 4000, 400.0),
            $data->number('density', 0, 1, 0.8),
            $data->int('seed', 0, 65535, 1),
            $data->number('texture', 0, 1, 1.0),
            $data->number('top', -1, 2, -1.0),
            $data->number('bottom', -1, 2, 2.0),
            $data->number('fade', 0, 1, 0.2),
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
            'texture' => $this->texture,
            'top' => $this->top,
            'bottom' => $this->bottom,
            'fade' => $this->fade,
        ];
    }

    public function colour(): Rgb
    {
        return $this->colour;
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
