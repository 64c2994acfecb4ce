<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Weather;

use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\ShaftsContent;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Rect;

/**
 * The coverage of light shafts: the angle about their source is parted evenly, each part has a shaft of its own width
 * and strength, and all fade with the distance. The browser's resources/js/picture/weather/shafts.ts makes the same.
 */
final readonly class Shafts implements Plane
{
    /** A shaft fills so much of its part at the least, and has so much of the strength, at a variety of 1. */
    private const NARROW = 0.7;

    private const FAINT = 0.8;

    /** An edge is so soft at the least, as a share of half the part. */
    private const EDGE = 0.04;

    /** Toward the sides of all of them the outer ones fade over so much of half the spread. */
    private const SIDE = 0.2;

    private float $fromX;

    private float $fromY;

    private float $wayX;

    private float $wayY;

    /** Px. */
    private float $reach;

    /** Half the spread, in radians. */
    private float $half;

    private float $softness;

    /** @var list<array{float, float}> half its width, as a share of half its part, and its strength */
    private array $shafts;

    public function __construct(ShaftsContent $content, PageSize $page)
    {
        $this->fromX = $content->from[0] * $page->width;
        $this->fromY = $content->from[1] * $page->height;
        $this->wayX = $content->to[0] * $page->width - $this->fromX;
        $this->wayY = $content->to[1] * $page->height - $this->fromY;
        $this->reach = max(1e-6, sqrt($this->wayX * $this->wayX + $this->wayY * $this->wayY));
        $this->half = deg2rad($content->spread / 2);
        $this->softness = $content->softness;
        $this->shafts = array_map(
            fn (int $i): array => [
                1 - self::NARROW * $content->variety * Chance::at($content->seed, 2 * $i),
                1 - self::FAINT * $content->variety * Chance::at($content->seed, 2 * $i + 1),
            ],
            range(0, $content->count - 1),
        );
    }

    public function in(Rect $rect): string
    {
        $values = [];
        $squared = $this->reach * $this->reach;
        for ($row = $rect->y; $row < $rect->bottom(); $row++) {
            $y = $row + 0.5 - $this->fromY;
            for ($column = $rect->x; $column < $rect->right(); $column++) {
                $x = $column + 0.5 - $this->fromX;
                $distance = $x * $x + $y * $y;
                $values[] = $distance < $squared ? $this->value($x, $y, sqrt($distance)) : 0;
            }
        }

        return Bytes::of($values);
    }

    /** How much light is at a place, 0..255; x and y in px from the source. */
    private function value(float $x, float $y, float $distance): int
    {
        $aside = atan2($this->wayX * $y - $this->wayY * $x, $this->wayX * $x + $this->wayY * $y) / $this->half;
        if ($aside <= -1 || $aside >= 1) {
            return 0;
        }
        $count = count($this->shafts);
        $at = ($aside + 1) / 2 * $count;
        $number = min($count - 1, (int) $at);
        [$wide, $strength] = $this->shafts[$number];
        $off = abs(2 * ($at - $number) - 1);
        $inside = self::smooth(($wide - $off) / ($this->softness * $wide + self::EDGE));
        $side = self::smooth((1 - abs($aside)) / self::SIDE);

        return (int) (255 * $strength * $inside * $side * self::smooth(1 - $distance / $this->reach) + 0.5);
    }

    /** The smooth step of a value that is bounded to 0..1. */
    private static function smooth(float $value): float
    {
        $value = max(0.0, min(1.0, $value));

        return $value * $value * (3 - 2 * $value);
    }
}
