<?php

declare(strict_types=1);

namespace Awning\Core\Light\Plan;

use Awning\Core\Colour\Rgb;
use Awning\Core\Light\Emission\BackLight;
use Awning\Core\Light\Emission\KeyLight;
use Awning\Core\Light\Emission\Lamp;
use Awning\Core\Page\Data;

/**
 * Where light comes from and what colour it has: decided once for a series, and picked by its pages.
 *
 * @phpstan-import-type RoughDialsData from RoughDials
 * @phpstan-import-type LampData from Lamp
 * @phpstan-import-type BackLightData from BackLight
 *
 * @phpstan-type LightPlanData array{azimuth: float, elevation: float, colour: string, ambient: string,
 *     dials: RoughDialsData, lamps: list<LampData>, back: ?BackLightData, beside: bool}
 */
final readonly class LightPlan
{
    /** So many lamps beside the key. */
    public const MOST_LAMPS = 2;

    /** The colour of the ambient light where nobody sets one. */
    public const SKY = '#8fa8c8';

    /**
     * @param  Rgb  $colour  of the light; tones nobody pinned are derived for it
     * @param  Rgb  $ambient  what comes from everywhere else: the sky, the room; bounced light has it
     * @param  list<Lamp>  $lamps  that hang in the scene
     * @param  ?BackLight  $back  what rims come from; null: from opposite the key, in its colour
     * @param  bool  $beside  bounced light has the colour of what lies beside a figure instead
     */
    public function __construct(
        public KeyLight $key,
        public Rgb $colour,
        public Rgb $ambient,
        public RoughDials $dials = new RoughDials,
        public array $lamps = [],
        public ?BackLight $back = null,
        public bool $beside = false,
    ) {
    }

    /** The same on a page so many times smaller; lamps are told in parts of it. */
    public function smaller(int $by): self
    {
        return new self(
            key: $this->key,
            colour: $this->colour,
            ambient: $this->ambient,
            dials: $this->dials->smaller($by),
            lamps: $this->lamps,
            back: $this->back,
            beside: $this->beside,
        );
    }

    /** @throws \InvalidArgumentException|\RangeException */
    public static function fromData(Data $data): self
    {
        return new self(
            key: new KeyLight($data->number('azimuth', 0, 360), $data->number('elevation', -90, 90)),
            colour: Rgb::fromHex($data->text('colour', '#fff1d6')),
            ambient: Rgb::fromHex($data->text('ambient', self::SKY)),
            dials: $data->has('dials') ? RoughDials::fromData($data->map('dials')) : new RoughDials,
            lamps: array_map(
                fn (mixed $lamp): Lamp => Lamp::fromData(new Data(is_array($lamp) ? $lamp : [])),
                $data->list('lamps', self::MOST_LAMPS),
            ),
            back: $data->has('back') ? BackLight::fromData($data->map('back')) : null,
            beside: $data->flag('beside', false),
        );
    }

    /** @return LightPlanData */
    public function toData(): array
    {
        return [
            'azimuth' => $this->key->azimuth,
            'elevation' => $this->key->elevation,
            'colour' => $this->colour->hex(),
            'ambient' => $this->ambient->hex(),
            'dials' => $this->dials->toData(),
            'lamps' => array_map(fn (Lamp $lamp): array => $lamp->toData(), $this->lamps),
            'back' => $this->back?->toData(),
            'beside' => $this->beside,
        ];
    }
}
