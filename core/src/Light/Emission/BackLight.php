<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;

/**
 * A light from behind that catches edges: the moon, a window.
 *
 * @phpstan-type BackLightData array{azimuth: float, colour: string}
 */
final readonly class BackLight
{
    /** @param  float  $azimuth  degrees: 0 from the right, 90 from above, counter-clockwise */
    public function __construct(public float $azimuth, public Rgb $colour)
    {
    }

    /** @throws \InvalidArgumentException|\RangeException */
    public static function fromData(Data $data): self
    {
        return new self($data->number('azimuth', 0, 360), Rgb::fromHex($data->text('colour', '#ffe2b0')));
    }

    /** @return BackLightData */
    public function toData(): array
    {
        return ['azimuth' => $this->azimuth, 'colour' => $this->colour->hex()];
    }

    public function key(): KeyLight
    {
        return new KeyLight($this->azimuth, 0);
    }
}
