<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * The colours of a gradient by their place between its ends: stops with colour and alpha, interpolated premultiplied in
 * sRGB as it is coded or in Oklab (CSS Images 4, section 3.4.2; CSS Color 4, section 12). Before the first stop and
 * behind the last it is as there.
 *
 * Red, green, blue and alpha are bytes in sixteenths, 0..4080, so that a threshold can be added to them.
 *
 * @phpstan-type Sixteenths array{list<int>, list<int>, list<int>, list<int>}
 */
final class GradientRamp
{
    /** Places along the way that are worked out; a place is looked up at the nearest of these and one more. */
    public const STEPS = 4096;

    /** @var ?Sixteenths */
    private ?array $sixteenths = null;

    /** @param  non-empty-list<GradientStop>  $stops  in order of their places */
    public function __construct(private readonly array $stops, private readonly bool $isOklab)
    {
    }

    /** @return Sixteenths */
    public function sixteenths(): array
    {
        return $this->sixteenths ??= $this->made();
    }

    /** @return Sixteenths */
    private function made(): array
    {
        $stops = $this->stops;
        $parts = array_map(
            fn (GradientStop $stop): array => $this->isOklab ? self::lab($stop->colour) : $stop->colour->unit(),
            $stops,
        );
        $lists = [[], [], [], []];
        $last = count($stops) - 1;
        for ($step = 0, $i = 0; $step <= self::STEPS; $step++) {
            $at = $step / self::STEPS;
            while ($i < $last && $at >= $stops[$i + 1]->at) {
                $i++;
            }
            [$colour, $alpha] = $i === $last || $at < $stops[0]->at
                ? [$parts[$i], $stops[$i]->alpha]
                : self::between($stops[$i], $parts[$i], $stops[$i + 1], $parts[$i + 1], $at);
            foreach ($this->coded($colour, $alpha) as $part => $value) {
                $lists[$part][] = (int) (16 * $value + 0.5);
            }
        }

        return $lists;
    }

    /**
     * @param  array{float, float, float}  $here  the colour of the stop before, as it is mixed
     * @param  array{float, float, float}  $there
     * @return array{array{float, float, float}, float} colour and alpha
     */
    private static function between(GradientStop $from, array $here, GradientStop $to, array $there, float $at): array
    {
        $share = ($at - $from->at) / ($to->at - $from->at);
        $alpha = $from->alpha + ($to->alpha - $from->alpha) * $share;
        if ($alpha <= 0) {
            // Where nothing is left of it, its colour is that of the nearer stop.
            return [$share < 0.5 ? $here : $there, $alpha];
        }
        $mixed = fn (int $part): float => (
            $here[$part] * $from->alpha + ($there[$part] * $to->alpha - $here[$part] * $from->alpha) * $share
        ) / $alpha;

        return [[$mixed(0), $mixed(1), $mixed(2)], $alpha];
    }

    /** @return array{float, float, float} */
    private static function lab(Rgb $colour): array
    {
        $lab = Oklab::of($colour);

        return [$lab->l, $lab->a, $lab->b];
    }

    /**
     * @param  array{float, float, float}  $parts
     * @return array{float, float, float, float} red, green, blue and alpha, 0..255
     */
    private function coded(array $parts, float $alpha): array
    {
        if ($this->isOklab) {
            $linear = (new Oklab($parts[0], $parts[1], $parts[2]))->toLinear();
            $parts = array_map(LinearRgb::encode(...), [$linear->red, $linear->green, $linear->blue]);
        }
        $byte = fn (float $part): float => 255 * max(0.0, min(1.0, $part));

        return [$byte($parts[0]), $byte($parts[1]), $byte($parts[2]), 255 * $alpha];
    }
}
