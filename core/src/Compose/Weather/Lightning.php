<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\LightningContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Rect;

/**
 * The coverage of a stroke of lightning. Its way is halved again and again, each time the middle is moved aside by
 * chance, by less and less (midpoint displacement; common practice). Branches leave it likewise. The browser's
 * resources/js/picture/weather/lightning.ts makes the same.
 */
final readonly class Lightning implements Plane
{
    /** How often the main way and a branch are halved. */
    private const HALVINGS = 7;

    private const BRANCH_HALVINGS = 5;

    /** How far a middle is moved aside at the most, as a share of the length of its part, at a jag of 1. */
    private const ASIDE = 0.45;

    /** A branch turns off by so much, in radians, and has so much of the way that is left. */
    private const TURN = [0.35, 0.9];

    private const LONG = [0.25, 0.6];

    /** What of its width lightning has at its end, and a branch at its beginning. */
    private const END = 0.35;

    private const THIN = 0.55;

    /** How strong the glow is beside the line and about the origin, and how far the latter reaches. */
    private const GLOW = 0.45;

    private const HALO = 0.5;

    private const HALO_REACH = 5.0;

    /** Numbers drawn for one way. */
    private const NUMBERS = 1 << 10;

    /** @var list<array{float, float, float, float, float}> from x, y to x, y in px, and half the width there */
    private array $segments;

    /** Px. */
    private float $glow;

    /** @var array{float, float} px */
    private array $origin;

    public function __construct(LightningContent $content, PageSize $page)
    {
        $unit = $page->thousandth();
        $this->glow = $content->glow * $unit;
        $this->origin = [$content->from[0] * $page->width, $content->from[1] * $page->height];
        $end = [$content->to[0] * $page->width, $content->to[1] * $page->height];
        $half = $content->width * $unit / 2;
        $main = self::way($this->origin, $end, self::HALVINGS, $content, 0);
        $segments = self::tapered($main, $half, $half * self::END);
        $last = count($main) - 1;
        for ($branch = 1; $branch <= $content->branches; $branch++) {
            $chance = fn (int $number): float => Chance::at($content->seed, $branch * self::NUMBERS - $number);
            $at = 1 + (int) (($last - 2) * 0.9 * $chance(1));
            [$x, $y] = $main[$at];
            $turn = (self::TURN[0] + (self::TURN[1] - self::TURN[0]) * $chance(2)) * ($chance(3) < 0.5 ? -1 : 1);
            $long = self::LONG[0] + (self::LONG[1] - self::LONG[0]) * $chance(4);
            [$across, $down] = [$end[0] - $x, $end[1] - $y];
            $to = [
                $x + $long * ($across * cos($turn) - $down * sin($turn)),
                $y + $long * ($across * sin($turn) + $down * cos($turn)),
            ];
            $way = self::way([$x, $y], $to, self::BRANCH_HALVINGS, $content, $branch * self::NUMBERS);
            array_push($segments, ...self::tapered($way, $half * self::THIN, $half * self::THIN * self::END));
        }
        $this->segments = $segments;
    }

    /** @return string one byte a px of the rectangle */
    public function in(Rect $rect): string
    {
        $values = array_fill(0, $rect->width * $rect->height, 0);
        foreach ($this->segments as $segment) {
            $this->add($values, $rect, $segment);
        }
        if ($this->glow > 0) {
            $this->addHalo($values, $rect);
        }

        return Bytes::of($values);
    }

    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     * @return list<array{float, float}>
     */
    private static function way(array $from, array $to, int $halvings, LightningContent $content, int $number): array
    {
        $points = [$from, $to];
        for ($i = 0; $i < $halvings; $i++) {
            $finer = [$points[0]];
            for ($p = 1; $p < count($points); $p++) {
                [[$x, $y], [$nextX, $nextY]] = [$points[$p - 1], $points[$p]];
                $aside = self::ASIDE * $content->jag * (Chance::at($content->seed, $number++) - 0.5);
                $finer[] = [
                    ($x + $nextX) / 2 - $aside * ($nextY - $y),
                    ($y + $nextY) / 2 + $aside * ($nextX - $x),
                ];
                $finer[] = $points[$p];
            }
            $points = $finer;
        }

        return $points;
    }

    /**
     * @param  list<array{float, float}>  $points
     * @return list<array{float, float, float, float, float}>
     */
    private static function tapered(array $points, float $first, float $last): array
    {
        $segments = [];
        for ($i = 1, $count = count($points); $i < $count; $i++) {
            $half = $first + (($last - $first) * $i) / ($count - 1);
            $segments[] = [...$points[$i - 1], ...$points[$i], $half];
        }

        return $segments;
    }

    /**
     * The most of what is there and of what the segment lays: so parts that meet show no joint.
     *
     * @param  array<int, int>  $values
     * @param  array{float, float, float, float, float}  $segment
     */
    private function add(array &$values, Rect $rect, array $segment): void
    {
        [$fromX, $fromY, $toX, $toY, $half] = $segment;
        $reach = $half + max(0.5, $this->glow);
        $box = self::around($rect, [$fromX, $fromY], [$toX, $toY], $reach);
        [$wayX, $wayY] = [$toX - $fromX, $toY - $fromY];
        $squared = max(1e-9, $wayX * $wayX + $wayY * $wayY);
        $thin = min(1.0, 2 * $half);
        for ($row = $box->y; $row < $box->bottom(); $row++) {
            $y = $row + 0.5 - $fromY;
            $at = ($row - $rect->y) * $rect->width - $rect->x;
            for ($column = $box->x; $column < $box->right(); $column++) {
                $x = $column + 0.5 - $fromX;
                $part = max(0.0, min(1.0, ($x * $wayX + $y * $wayY) / $squared));
                [$offX, $offY] = [$x - $part * $wayX, $y - $part * $wayY];
                $off = sqrt($offX * $offX + $offY * $offY) - $half;
                $covered = $thin * max(0.0, min(1.0, 0.5 - $off));
                if ($this->glow > 0 && $off < $this->glow) {
                    $near = 1 - max(0.0, $off) / $this->glow;
                    $covered = max($covered, self::GLOW * $near * $near);
                }
                $value = (int) (255 * $covered + 0.5);
                if ($value > $values[$at + $column]) {
                    $values[$at + $column] = $value;
                }
            }
        }
    }

    /**
     * What of a rectangle lies so near two places.
     *
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    private static function around(Rect $rect, array $from, array $to, float $reach): Rect
    {
        $left = (int) floor(min($from[0], $to[0]) - $reach);
        $top = (int) floor(min($from[1], $to[1]) - $reach);
        $right = (int) ceil(max($from[0], $to[0]) + $reach);
        $bottom = (int) ceil(max($from[1], $to[1]) + $reach);

        return $rect->intersect(new Rect($left, $top, $right - $left + 1, $bottom - $top + 1));
    }

    /**
     * The light about the origin, screened over what is there.
     *
     * @param  array<int, int>  $values
     */
    private function addHalo(array &$values, Rect $rect): void
    {
        [$originX, $originY] = $this->origin;
        $reach = self::HALO_REACH * $this->glow;
        $box = self::around($rect, $this->origin, $this->origin, $reach);
        for ($row = $box->y; $row < $box->bottom(); $row++) {
            $y = $row + 0.5 - $originY;
            $at = ($row - $rect->y) * $rect->width - $rect->x;
            for ($column = $box->x; $column < $box->right(); $column++) {
                $x = $column + 0.5 - $originX;
                $near = 1 - sqrt($x * $x + $y * $y) / $reach;
                if ($near > 0) {
                    $there = $values[$at + $column];
                    $values[$at + $column] = (int) ($there + (255 - $there) * self::HALO * $near * $near + 0.5);
                }
            }
        }
    }
}
