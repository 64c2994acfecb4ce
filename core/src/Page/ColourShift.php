<?php

declare(strict_types=1);

namespace Awning\Core\Page;

use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Shift;

/**
 * How one material's tones are shifted on this page, in the regions that name it: the material itself, and all other pages,
 * stay as they are.
 *
 * @phpstan-type ShiftData array{material: int, lightness: float, chroma: float, hue: float}
 */
final readonly class ColourShift implements Record
{
    /**
     * @param  float  $lightness  added in OKLCh, -0.5..0.5
     * @param  float  $chroma  times, 0..2
     * @param  float  $hue  degrees, -180..180
     */
    public function __construct(public int $material, public float $lightness = 0, public float $chroma = 1, public float $hue = 0)
    {
    }

    public static function kind(): RecordKind
    {
        return RecordKind::Shift;
    }

    public static function fromData(Data $data): self
    {
        return new self(
            $data->int('material', 1, PHP_INT_MAX),
            $data->number('lightness', -0.5, 0.5, 0), $data->number('chroma', 0, 2, 1), $data->number('hue', -180, 180, 0),
        );
    }

    /** @return ShiftData */
    public function toData(): array
    {
        return ['material' => $this->material, 'lightness' => $this->lightness, 'chroma' => $this->chroma, 'hue' => $this->hue];
    }

    public function isNone(): bool
    {
        return $this->lightness == 0.0 && $this->chroma == 1.0 && $this->hue == 0.0;
    }

    /**
     * @param  array<string, int>  $tones  0xRRGGBB by name
     * @return array<string, int>
     */
    public function tones(array $tones): array
    {
        $shift = new Shift($this->lightness, $this->chroma, $this->hue);

        return array_map(fn (int $tone): int => $shift->of(Rgb::fromNumber($tone))->number(), $tones);
    }
}
