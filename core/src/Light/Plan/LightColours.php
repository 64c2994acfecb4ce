<?php

declare(strict_types=1);

namespace Awning\Core\Light\Plan;

use Awning\Core\Colour\Oklch;
use Awning\Core\Colour\Rgb;
use Awning\Core\Page\Pass\LightPart;

/**
 * The colours of the light a page stands under, for what follows it. The opposite is the light's hue turned half round
 * in OKLCh (common practice), of a lightness and at least a chroma at which it can be multiplied or laid as a shade;
 * these two are ours.
 *
 * @phpstan-type LightColoursData array{light: string, around: string, opposite: string}
 */
final readonly class LightColours
{
    private const SHADE_LIGHTNESS = 0.56;

    private const LEAST_CHROMA = 0.06;

    public function __construct(public Rgb $light, public Rgb $around)
    {
    }

    /** @return ?Rgb null for what is no colour of the light */
    public function of(LightPart $part): ?Rgb
    {
        return match ($part) {
            LightPart::Light => $this->light,
            LightPart::Around => $this->around,
            LightPart::Opposite => $this->opposite(),
            LightPart::Given => null,
        };
    }

    public static function ofPlan(LightPlan $plan): self
    {
        return new self($plan->colour, $plan->ambient);
    }

    /** @return LightColoursData */
    public function toData(): array
    {
        return array_map(fn (Rgb $colour): string => $colour->hex(), $this->all());
    }

    /** @return array{light: int, around: int, opposite: int} as 0xRRGGBB */
    public function numbers(): array
    {
        return array_map(fn (Rgb $colour): int => $colour->number(), $this->all());
    }

    /** @return array{light: Rgb, around: Rgb, opposite: Rgb} */
    private function all(): array
    {
        return [
            LightPart::Light->value => $this->light,
            LightPart::Around->value => $this->around,
            LightPart::Opposite->value => $this->opposite(),
        ];
    }

    private function opposite(): Rgb
    {
        $light = Oklch::of($this->light);

        return (new Oklch(
            self::SHADE_LIGHTNESS,
            max(self::LEAST_CHROMA, $light->c),
            fmod($light->h + 180, 360),
        ))->toRgb();
    }
}
