<?php

declare(strict_types=1);

namespace Awning\Core\Page\Pass;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;
use Awning\Core\Page\Bounds;
use Awning\Core\Page\Data;

/**
 * Lightness, strength and hue of all that a pass lays, turned together in OKLCh; what is painted stays as it is.
 *
 * @phpstan-type TurnData array{lightness: float, chroma: float, hue: float}
 */
final readonly class ColourTurn
{
    /**
     * @param  float  $lightness  added in OKLCh, -0.5..0.5
     * @param  float  $chroma  times, 0..2
     * @param  float  $hue  degrees, -180..180
     */
    public function __construct(public float $lightness = 0, public float $chroma = 1, public float $hue = 0)
    {
        Bounds::number('lightness', $lightness, -0.5, 0.5);
        Bounds::number('chroma', $chroma, 0, 2);
        Bounds::number('hue', $hue, -180, 180);
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->number('lightness', -0.5, 0.5, 0),
            $data->number('chroma', 0, 2, 1),
            $data->number('hue', -180, 180, 0),
        );
    }

    /** @return TurnData */
    public function toData(): array
    {
        return ['lightness' => $this->lightness, 'chroma' => $this->chroma, 'hue' => $this->hue];
    }

    public function isNone(): bool
    {
        return $this->lightness == 0.0 && $this->chroma == 1.0 && $this->hue == 0.0;
    }

    /** @return \Closure(int): int from 0xRRGGBB to 0xRRGGBB */
    public function colours(): \Closure
    {
        $shift = new Shift($this->lightness, $this->chroma, $this->hue);

        return fn (int $colour): int => $shift->of(Rgb::fromNumber($colour))->number();
    }
}
