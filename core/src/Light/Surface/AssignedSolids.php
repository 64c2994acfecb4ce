<?php

declare(strict_types=1);

namespace Awning\Core\Light\Surface;

use Awning\Core\Page\Region\Solid;
use Awning\Core\Raster\Labels;

/**
 * Regions of which somebody told what they are, or which way they run: each is turned as that says, whatever its
 * outline. A region that is round and has a direction is not round along that, as hair is not along its strands.
 */
final readonly class AssignedSolids
{
    /** A cloth is round as its outline says, but so much less. */
    private const DRAPED = 0.5;

    /** No surface turns farther from the reader than this sine. */
    private const STEEPEST = 0.98;

    /** Directions in which the rim of a stone is looked for. */
    private const WAYS = 48;

    /**
     * @param  array<int, Solid>  $solids  by label
     * @param  array<int, DirectionField>  $flows  directions by label, on this plane
     */
    public function __construct(private Labels $labels, private array $solids, private array $flows)
    {
    }

    /**
     * @param  array<int, float>  $x  where each pixel faces, to the right
     * @param  array<int, float>  $y  up
     */
    public function turn(array &$x, array &$y): void
    {
        foreach ($this->pixels() as $label => $pixels) {
            $lie = fn (): PrincipalAxis => PrincipalAxis::of($pixels, $this->labels->width);
            $flow = $this->flows[$label] ?? null;
            $turned = match ($this->solids[$label] ?? Solid::Round) {
                Solid::Round, Solid::Shining => $flow === null ? [] : $this->round($pixels, $flow, $x, $y),
                Solid::Flat => array_fill_keys($pixels, [0.0, 0.0]),
                Solid::Ball => $this->ball($pixels, $lie()),
                Solid::Tube => $this->tube($pixels, $flow ?? $lie()->axis()),
                Solid::Cloth => $this->cloth($pixels, $flow ?? $lie()->hanging(), $x, $y),
                Solid::Gem => $this->gem($pixels, $lie()),
            };
            foreach ($turned as $at => [$right, $up]) {
                [$x[$at], $y[$at]] = [$right, $up];
            }
        }
    }

    /** @return array<int, non-empty-list<int>> of every label that something is told of */
    private function pixels(): array
    {
        $assigned = $this->solids + $this->flows;
        $pixels = [];
        foreach (Labels::spans($this->labels->data) as [$from, $to, $label]) {
            for ($at = isset($assigned[$label]) ? $from : $to; $at < $to; $at++) {
                $pixels[$label][] = $at;
            }
        }

        return $pixels;
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @return array<int, array{float, float}>
     */
    private function round(array $pixels, DirectionField $flow, array $x, array $y): array
    {
        $turned = [];
        foreach ($pixels as $at) {
            [, , $dx, $dy] = $this->along($flow, $at);
            $lengthwise = $x[$at] * $dx - $y[$at] * $dy;
            $turned[$at] = [$x[$at] - $lengthwise * $dx, $y[$at] + $lengthwise * $dy];
        }

        return $turned;
    }

    /**
     * So wide that the farthest pixel lies on the rim.
     *
     * @param  non-empty-list<int>  $pixels
     * @return array<int, array{float, float}>
     */
    private function ball(array $pixels, PrincipalAxis $lie): array
    {
        $turned = array_map(fn (int $at): array => $lie->from($at), array_combine($pixels, $pixels));
        $reach = max(array_map(fn (array $off): float => hypot(...$off), $turned)) + 0.5;

        return array_map(fn (array $off): array => [$off[0] / $reach, $off[1] / $reach], $turned);
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @return array<int, array{float, float}>
     */
    private function tube(array $pixels, DirectionField $axis): array
    {
        $places = array_map(fn (int $at): array => $this->along($axis, $at), array_combine($pixels, $pixels));
        $reach = max(array_map(fn (array $place): float => abs($place[0]), $places)) + 0.5;

        return array_map(
            fn (array $place): array => [(-$place[3] * $place[0]) / $reach, (-$place[2] * $place[0]) / $reach],
            $places,
        );
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @return array<int, array{float, float}>
     */
    private function cloth(array $pixels, DirectionField $hangs, array $x, array $y): array
    {
        $places = array_map(fn (int $at): array => $this->along($hangs, $at), array_combine($pixels, $pixels));
        [$across, $come] = [array_column($places, 0), array_column($places, 1)];
        [$side, $top] = [min($across), min($come)];
        $cloth = new Cloth(max(1.0, max($across) - $side), max(1.0, max($come) - $top));
        $turned = [];
        foreach ($places as $at => [$aside, $along, $dx, $dy]) {
            $slope = $cloth->slope($aside - $side, $along - $top);
            $turned[$at] = self::bounded(self::DRAPED * $x[$at] - $dy * $slope, self::DRAPED * $y[$at] - $dx * $slope);
        }

        return $turned;
    }

    /**
     * @param  non-empty-list<int>  $pixels
     * @return array<int, array{float, float}>
     */
    private function gem(array $pixels, PrincipalAxis $lie): array
    {
        $rim = array_fill(0, self::WAYS, 0.5);
        $places = [];
        foreach ($pixels as $at) {
            [$along, $across] = $lie->turned(...$lie->from($at));
            $angle = atan2($across, $along);
            $way = (int) floor(($angle / (2 * M_PI) + 1) * self::WAYS) % self::WAYS;
            $rim[$way] = max($rim[$way], hypot($along, $across) + 0.5);
            $places[$at] = [$way, hypot($along, $across), $angle];
        }

        return array_map(
            fn (array $place): array => $lie->back(...Gem::facing($place[1] / $rim[$place[0]], $place[2])),
            $places,
        );
    }

    /** @return array{float, float, float, float} */
    private function along(DirectionField $line, int $at): array
    {
        return $line->at(($at % $this->labels->width) + 0.5, intdiv($at, $this->labels->width) + 0.5);
    }

    /** @return array{float, float} */
    private static function bounded(float $right, float $up): array
    {
        $steep = max(1.0, hypot($right, $up) / self::STEEPEST);

        return [$right / $steep, $up / $steep];
    }
}
