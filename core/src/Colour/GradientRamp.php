<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * The colours of a gradient by their place between its ends: stops with colour and alpha, interpolated premultiplied in
 * sRGB as it is coded or in Oklab (CSS Images 4, section 3.4.2; CSS Color 4, section 12). Before the first stop and
 * behind the last it is as there.
 */
final readonly class GradientRamp
{
    /** Places that are worked out; between them the way is straight. */
    public const STEPS = 4096;

    /** @var list<array{float, float, float, float}> red, green, blue and alpha, 0..255 */
    private array $table;

    /** @param  non-empty-list<GradientStop>  $stops  in order of their places */
    public function __construct(array $stops, bool $isOklab)
    {
        $parts = array_map(
            fn (GradientStop $stop): array => $isOklab ? self::lab($stop->colour) : $stop->colour->unit(),
            $stops,
        );
        $table = [];
        $last = count($stops) - 1;
        for ($step = 0, $i = 0; $step <= self::STEPS; $step++) {
            $at = $step / self::STEPS;
            while ($i < $last && $at >= $stops[$i + 1]->at) {
                $i++;
            }
            if ($i === $last || $at < $stops[0]->at) {
                $table[] = self::coded($parts[$i], $stops[$i]->alpha, $isOklab);

                continue;
            }
            [$from, $to] = [$stops[$i], $stops[$i + 1]];
            $share = ($at - $from->at) / ($to->at - $from->at);
            $alpha = $from->alpha + ($to->alpha - $from->alpha) * $share;
            $mixed = [];
            foreach ($parts[$i] as $part => $value) {
                $whole = $value * $from->alpha + ($parts[$i + 1][$part] * $to->alpha - $value * $from->alpha) * $share;
                // Where nothing is left of it, its colour is that of the nearer stop.
                $mixed[] = $alpha > 0 ? $whole / $alpha : ($share < 0.5 ? $value : $parts[$i + 1][$part]);
            }
            $table[] = self::coded($mixed, $alpha, $isOklab);
        }
        $this->table = $table;
    }

    /**
     * @param  float  $at  clamped to 0..1
     * @return array{float, float, float, float} red, green, blue and alpha, 0..255
     */
    public function at(float $at): array
    {
        $place = self::STEPS * max(0.0, min(1.0, $at));
        $i = (int) $place;
        if ($i === self::STEPS) {
            return $this->table[$i];
        }
        $share = $place - $i;
        [[$r, $g, $b, $a], [$nextR, $nextG, $nextB, $nextA]] = [$this->table[$i], $this->table[$i + 1]];

        return [
            $r + ($nextR - $r) * $share,
            $g + ($nextG - $g) * $share,
            $b + ($nextB - $b) * $share,
            $a + ($nextA - $a) * $share,
        ];
    }

    /**
     * The same in sixteenths, for places that are looked up by the million: the nearest of 4097.
     *
     * @return array{list<int>, list<int>, list<int>, list<int>} red, green, blue and alpha, 0..4080
     */
    public function sixteenths(): array
    {
        $lists = [[], [], [], []];
        foreach ($this->table as $colour) {
            foreach ($colour as $part => $value) {
                $lists[$part][] = (int) (16 * $value + 0.5);
            }
        }

        return $lists;
    }

    /** @return array{float, float, float} */
    private static function lab(Rgb $colour): array
    {
        $lab = Oklab::of($colour);

        return [$lab->l, $lab->a, $lab->b];
    }

    /**
     * @param  array<int, float>  $parts
     * @return array{float, float, float, float}
     */
    private static function coded(array $parts, float $alpha, bool $isOklab): array
    {
        if ($isOklab) {
            $linear = (new Oklab($parts[0], $parts[1], $parts[2]))->toLinear();
            $parts = array_map(LinearRgb::encode(...), [$linear->red, $linear->green, $linear->blue]);
        }
        $byte = fn (float $part): float => 255 * max(0.0, min(1.0, $part));

        return [$byte($parts[0]), $byte($parts[1]), $byte($parts[2]), 255 * $alpha];
    }
}
