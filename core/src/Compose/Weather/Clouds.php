<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\CloudsContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Rect;

/**
 * Heaped clouds: each heap is a row of towers, and each tower a large ball on another one, with lumps about the upper
 * one's rim; a low ball lies between two towers, and a row of lumps along the foot, at which all is cut off. What a
 * place gets of the light is what the balls that hold it get there, by Lambert's law, weighed by how far inside of each
 * it lies; so they run into each other without an edge. The browser's resources/js/picture/weather/clouds.ts makes the
 * same.
 *
 * A ball is its middle and its radius, how much it counts, its foot and how soft its edge is; then the middle of its
 * heap and half the heap's width and height. All but how much it counts are px.
 *
 * @phpstan-type Ball array{float, float, float, float, float, float, float, float, float, float}
 */
final class Clouds
{
    /** Towers in a heap that is as wide as high. */
    private const TOWERS = 1.3;

    private const MOST_TOWERS = 24;

    /** The radius of a tower's ball in its height, and how much its balls weigh beside a lump. */
    private const BALL = 0.55;

    private const WEIGHT = 0.04;

    /** The radius of a ball between two towers, in the way from one to the other. */
    private const BETWEEN = 0.6;

    /** Lumps of a tower as large as they are, at a fullness of 0 and what is added at 1; how many at the most. */
    private const FEW = 2.0;

    private const MORE = 6.0;

    private const MOST = 40;

    /** Lumps along the foot are so far apart, in their usual radius. */
    private const APART = 1.1;

    /** Numbers drawn for one heap, and for one tower or for the foot. */
    private const NUMBERS = 1 << 16;

    private const OF_ONE = 1 << 10;

    /** The least edge, px, and what is added of a lump's radius at a softness of 1. */
    private const EDGE = 1.0;

    private const SOFT = 0.8;

    /** How much the place in its heap counts beside the ball's own side. */
    private const WHOLE = 0.4;

    /** The light at which both colours are even, and half of the passage between them at a contrast of 0 and of 1. */
    private const EVEN = 0.3;

    private const PASSAGE = [0.8, 0.06];

    /** @var list<Ball> */
    private readonly array $balls;

    /** @var array{float, float, float} toward the light: right, down, toward the reader */
    private readonly array $light;

    private readonly float $passage;

    /** What was made last: a compositor asks for the same rectangle for its survey and for each canvas. */
    private ?Rect $rect = null;

    /** @var array{string, string} */
    private array $made = ['', ''];

    public function __construct(CloudsContent $content, PageSize $page)
    {
        $unit = $page->thousandth();
        $balls = [];
        foreach ($content->heaps as $number => [$left, $top, $width, $height]) {
            $heap = [$left * $page->width, $top * $page->height, $width * $page->width, $height * $page->height];
            array_push($balls, ...self::heap($content, $number, $heap, $content->lumps * $unit));
        }
        $this->balls = $balls;
        $across = cos(deg2rad($content->height));
        $this->light = [
            $across * cos(deg2rad($content->light)),
            -$across * sin(deg2rad($content->light)),
            sin(deg2rad($content->height)),
        ];
        $this->passage = self::PASSAGE[0] + (self::PASSAGE[1] - self::PASSAGE[0]) * $content->contrast;
    }

    /**
     * @param  array{float, float, float, float}  $heap  left, top, width and height, px
     * @param  float  $lump  the usual radius of a lump, px
     * @return list<Ball>
     */
    private static function heap(CloudsContent $content, int $number, array $heap, float $lump): array
    {
        [$left, $top, $width, $height] = $heap;
        $lump = min($lump, $height / 3, $width / 3);
        $edge = self::EDGE + self::SOFT * $content->softness * $lump;
        $ball = fn (float $x, float $y, float $radius, float $weight, float $foot): array => [
            $x, $y, $radius, $weight, $foot, $edge, $left + $width / 2, $top + $height / 2, $width / 2, $height / 2,
        ];
        $foot = $top + $height;
        $towers = max(1, min(self::MOST_TOWERS, (int) (self::TOWERS * $width / $height + 0.5)));
        $full = self::FEW + self::MORE * $content->fullness;
        $balls = [];
        for ($i = 0; $i < $towers; $i++) {
            $first = $number * self::NUMBERS + ($i + 1) * self::OF_ONE;
            $chance = fn (int $which): float => Chance::at($content->seed, $first + $which);
            $along = ($i + 0.3 + 0.4 * $chance(0)) / $towers;
            $high = $height * (0.6 + 0.4 * $chance(1)) * self::dome($along);
            $radius = min(self::BALL * $high, $width / 2);
            $x = $left + $radius + $along * max(0.0, $width - 2 * $radius);
            $y = $foot - $high + $radius;
            $balls[] = $ball($x, $y, $radius, self::WEIGHT, $foot);
            $balls[] = $ball($x, $foot - 0.4 * $radius, 1.1 * $radius, self::WEIGHT, $foot);
            $count = min(self::MOST, (int) ($full * $radius / $lump + 0.5));
            for ($k = 0; $k < $count; $k++) {
                $turn = M_PI * ($k + $chance(4 * $k + 2)) / $count;
                $size = min(0.7 * $radius, $lump * (0.55 + 0.7 * $chance(4 * $k + 3)));
                $out = (1 - 0.45 * $chance(4 * $k + 4) ** 2) * ($radius - 0.35 * $size);
                $weight = 0.3 + $chance(4 * $k + 5);
                $balls[] = $ball($x + $out * cos($turn), $y - $out * sin($turn), $size, $weight, $foot);
            }
        }
        for ($i = 1; $i < $towers; $i++) {
            $radius = self::BETWEEN * $width / $towers;
            $balls[] = $ball($left + $width * $i / $towers, $foot - 0.2 * $radius, $radius, self::WEIGHT, $foot);
        }
        $row = min(intdiv(self::OF_ONE, 4), max(1, (int) ceil($width / (self::APART * $lump))));
        for ($k = 0; $k < $row; $k++) {
            $chance = fn (int $which): float => Chance::at($content->seed, $number * self::NUMBERS + 4 * $k + $which);
            $along = ($k + 0.25 + 0.5 * $chance(0)) / $row;
            $size = $lump * (0.6 + 0.6 * $chance(1)) * (0.4 + 0.6 * self::dome($along));
            $x = $left + $size + $along * max(0.0, $width - 2 * $size);
            $balls[] = $ball($x, $foot - $size * (0.2 + 0.5 * $chance(2)), $size, 0.3 + $chance(3), $foot);
        }

        return $balls;
    }

    /** How high a heap is at a place along it, 0..1: as half an ellipse. */
    private static function dome(float $along): float
    {
        return sqrt(max(0.0, 1 - (2 * $along - 1) ** 2));
    }

    /**
     * @return array{string, string} how much clouds cover, and how much of that is in the light, one byte a px of a
     *     rectangle of the page
     */
    public function in(Rect $rect): array
    {
        if ($this->rect != $rect) {
            $this->made = $this->made($rect);
            $this->rect = $rect;
        }

        return $this->made;
    }

    /** @return array{string, string} */
    private function made(Rect $rect): array
    {
        $size = $rect->width * $rect->height;
        $near = array_filter($this->balls, fn (array $ball): bool => ! self::reach($ball, $rect)->isEmpty());
        if ($near === []) {
            return [str_repeat("\0", $size), str_repeat("\0", $size)];
        }
        $covered = $lit = $weights = array_fill(0, $size, 0.0);
        foreach ($near as $ball) {
            $this->add($covered, $lit, $weights, $rect, $ball);
        }
        [$cover, $light] = [[], []];
        foreach ($covered as $i => $share) {
            $cover[] = (int) (255 * $share + 0.5);
            $light[] = $share > 0 ? $this->passed($lit[$i] / $weights[$i]) : 0;
        }

        return [Bytes::of($cover), Bytes::of($light)];
    }

    /** @param  Ball  $ball */
    private static function reach(array $ball, Rect $rect): Rect
    {
        [$x, $y, $radius, , $foot, $edge] = $ball;
        $reach = $radius + $edge;
        $left = (int) floor($x - $reach);
        $top = (int) floor($y - $reach);
        $bottom = min($y + $reach, $foot + $edge);

        return $rect->intersect(
            new Rect($left, $top, max(0, (int) ceil($x + $reach) - $left + 1), max(0, (int) ceil($bottom) - $top + 1)),
        );
    }

    /**
     * @param  array<int, float>  $covered
     * @param  array<int, float>  $lit  the light times the weights
     * @param  array<int, float>  $weights
     * @param  Ball  $ball
     */
    private function add(array &$covered, array &$lit, array &$weights, Rect $rect, array $ball): void
    {
        [$atX, $atY, $radius, $weight, $foot, $edge, $middleX, $middleY, $halfX, $halfY] = $ball;
        [$lightX, $lightY, $lightZ] = $this->light;
        $box = self::reach($ball, $rect);
        $squared = $radius * $radius;
        for ($row = $box->y; $row < $box->bottom(); $row++) {
            $middle = $row + 0.5;
            $y = $middle - $atY;
            $above = max(0.0, min(1.0, ($foot - $middle) / $edge + 0.5));
            $inHeap = ($middle - $middleY) / $halfY * $lightY;
            $at = ($row - $rect->y) * $rect->width - $rect->x;
            for ($column = $box->x; $column < $box->right(); $column++) {
                $x = $column + 0.5 - $atX;
                $away = $x * $x + $y * $y;
                $share = $above * max(0.0, min(1.0, ($radius - sqrt($away)) / $edge + 0.5));
                if ($share <= 0) {
                    continue;
                }
                $i = $at + $column;
                if ($share > $covered[$i]) {
                    $covered[$i] = $share;
                }
                $deep = max(0.001, 1 - $away / $squared);
                $counts = $weight * $deep * $deep * $deep;
                $weights[$i] += $counts;
                $lit[$i] += $counts * (
                    ($x * $lightX + $y * $lightY) / $radius + sqrt($deep) * $lightZ +
                    self::WHOLE * (($column + 0.5 - $middleX) / $halfX * $lightX + $inHeap)
                );
            }
        }
    }

    /** @return int 0 in the shade, 255 in the light */
    private function passed(float $light): int
    {
        $part = max(0.0, min(1.0, ($light - self::EVEN) / (2 * $this->passage) + 0.5));

        return (int) (255 * $part * $part * (3 - 2 * $part) + 0.5);
    }
}
