<?php

declare(strict_types=1);

namespace Awning\Core\Light\Emission;

use Awning\Core\Light\Surface\SurfaceNormals;

/**
 * A light in the scene, at a place before the page, that falls on what faces it and is near enough: Lambert's cosine
 * times (1 - (d / reach)²)², d being the distance on the page; it stands a part of its reach before it. The window is
 * ours: it is full at the lamp, ends at its reach, and has no edge.
 */
final readonly class NearLight
{
    /** How far before the page it stands, in parts of its reach. */
    private const BEFORE = 0.3;

    /**
     * @param  float  $x  px from the left of the plane
     * @param  float  $y  px from its top
     * @param  float  $reach  px
     */
    public function __construct(private float $x, private float $y, private float $reach)
    {
    }

    /** The same on a plane so many times smaller. */
    public function smaller(float $by): self
    {
        return new self($this->x / $by, $this->y / $by, $this->reach / $by);
    }

    /**
     * @param  string  $inside  255 where there is a body
     * @return string how strongly it falls, 0..255
     */
    public function on(SurfaceNormals $facing, string $inside, int $width): string
    {
        $height = intdiv(strlen($inside), max(1, $width));
        $light = str_repeat("\0", strlen($inside));
        $lampHeight = self::BEFORE * $this->reach;
        for (
            $y = (int) max(0, floor($this->y - $this->reach)), $end = min($height, ceil($this->y + $this->reach));
            $y < $end;
            $y++
        ) {
            $up = $y + 0.5 - $this->y;
            for (
                $x = (int) max(0, floor($this->x - $this->reach)), $last = min($width, ceil($this->x + $this->reach));
                $x < $last;
                $x++
            ) {
                $at = $y * $width + $x;
                $right = $this->x - $x - 0.5;
                $part = ($right * $right + $up * $up) / ($this->reach * $this->reach);
                if ($part >= 1 || $inside[$at] === "\0") {
                    continue;
                }
                [$nx, $ny] = [$facing->x[$at], $facing->y[$at]];
                $near = sqrt(max(0.0, 1 - $nx * $nx - $ny * $ny));
                $cosine =
                    ($nx * $right + $ny * $up + $near * $lampHeight) /
                    sqrt($right * $right + $up * $up + $lampHeight * $lampHeight);
                $light[$at] = chr((int) (255 * max(0.0, $cosine) * (1 - $part) ** 2 + 0.5));
            }
        }

        return $light;
    }
}
