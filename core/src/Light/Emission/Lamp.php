<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Data;
use Awning\Core\Raster\Rect;

/**
 * A lamp of a light plan: where it hangs on the page, how far it reaches, what colour it has.
 *
 * @phpstan-type LampData array{x: float, y: float, reach: float, colour: string}
 */
final readonly class Lamp
{
    /**
     * @param  float  $x  from the left, in parts of the page's width
     * @param  float  $y  from the top, in parts of its height
     * @param  float  $reach  in parts of the page's width
     */
    public function __construct(public float $x, public float $y, public float $reach, public Rgb $colour)
    {
    }

    /** @throws \InvalidArgumentException|\RangeException */
    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('x', -0.5, 1.5),
            $data->number('y', -0.5, 1.5),
            $data->number('reach', 0.02, 2),
            Rgb::fromHex($data->text('colour', '#ffd08a')),
        );
    }

    /** @return LampData */
    public function toData(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'reach' => $this->reach, 'colour' => $this->colour->hex()];
    }

    /** As it shines on one place of a page. */
    public function near(Rect $page, Rect $where): NearLight
    {
        return new NearLight(
            $this->x * $page->width - $where->x,
            $this->y * $page->height - $where->y,
            $this->reach * $page->width,
        );
    }
}
