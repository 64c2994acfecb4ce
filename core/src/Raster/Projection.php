<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * A projective map of the plane, in pixels: (x, y) goes to ((ax + by + c) / w, (dx + ey + f) / w) with w = gx + hy + 1.
 * Moving, turning, scaling and mirroring are among them, and so is looking at a sheet from aside. Never changes.
 *
 * Four points determine one (Heckbert 1989, section 2.2.3).
 */
final readonly class Projection
{
    private function __construct(
        public float $a,
        public float $b,
        public float $c,
        public float $d,
        public float $e,
        public float $f,
        public float $g = 0.0,
        public float $h = 0.0,
    ) {
    }

    /** @param  float  $degrees  clockwise, as y runs down */
    public static function turn(float $degrees, float $aboutX, float $aboutY): self
    {
        [$sin, $cos] = [sin(deg2rad($degrees)), cos(deg2rad($degrees))];

        return new self(
            $cos,
            -$sin,
            $aboutX - $cos * $aboutX + $sin * $aboutY,
            $sin,
            $cos,
            $aboutY - $sin * $aboutX - $cos * $aboutY,
        );
    }

    /** As SVG writes one (SVG 1.1, section 7.4): (x, y) goes to (ax + cy + e, bx + dy + f). */
    public static function matrix(float $a, float $b, float $c, float $d, float $e, float $f): self
    {
        return new self($a, $c, $e, $b, $d, $f);
    }

    public static function scale(float $x, float $y, float $aboutX = 0.0, float $aboutY = 0.0): self
    {
        return new self($x, 0.0, $aboutX - $x * $aboutX, 0.0, $y, $aboutY - $y * $aboutY);
    }

    public static function move(float $x, float $y): self
    {
        return new self(1.0, 0.0, $x, 0.0, 1.0, $y);
    }

    /**
     * The one that takes the corners of a picture to four points.
     *
     * @param  list<array{float, float}>  $corners  clockwise from the upper left
     *
     * @throws \InvalidArgumentException when three of them lie in a line
     */
    public static function toCorners(float $width, float $height, array $corners): self
    {
        [[$x0, $y0], [$x1, $y1], [$x2, $y2], [$x3, $y3]] = $corners;
        [$dx1, $dy1, $dx2, $dy2] = [$x1 - $x2, $y1 - $y2, $x3 - $x2, $y3 - $y2];
        [$sx, $sy] = [$x0 - $x1 + $x2 - $x3, $y0 - $y1 + $y2 - $y3];
        $cross = $dx1 * $dy2 - $dx2 * $dy1;
        if (abs($cross) < 1e-6) {
            throw new \InvalidArgumentException(
                'Three of the four corners lie in a line. Put them at the corners of the sheet.',
            );
        }
        $g = ($sx * $dy2 - $dx2 * $sy) / $cross;
        $h = ($dx1 * $sy - $sx * $dy1) / $cross;
        $unit = new self(
            a: $x1 - $x0 + $g * $x1,
            b: $x3 - $x0 + $h * $x3,
            c: $x0,
            d: $y1 - $y0 + $g * $y1,
            e: $y3 - $y0 + $h * $y3,
            f: $y0,
            g: $g,
            h: $h,
        );

        return self::scale(1 / $width, 1 / $height)->then($unit);
    }

    /** This one first, then another. */
    public function then(self $next): self
    {
        return self::normed(
            $next->a * $this->a + $next->b * $this->d + $next->c * $this->g,
            $next->a * $this->b + $next->b * $this->e + $next->c * $this->h,
            $next->a * $this->c + $next->b * $this->f + $next->c,
            $next->d * $this->a + $next->e * $this->d + $next->f * $this->g,
            $next->d * $this->b + $next->e * $this->e + $next->f * $this->h,
            $next->d * $this->c + $next->e * $this->f + $next->f,
            $next->g * $this->a + $next->h * $this->d + $this->g,
            $next->g * $this->b + $next->h * $this->e + $this->h,
            $next->g * $this->c + $next->h * $this->f + 1,
        );
    }

    /** @throws \InvalidArgumentException when it flattens the plane to a line */
    public function inverse(): self
    {
        [$a, $b, $c, $d, $e, $f, $g, $h] = [
            $this->a,
            $this->b,
            $this->c,
            $this->d,
            $this->e,
            $this->f,
            $this->g,
            $this->h,
        ];

        return self::normed(
            $e - $f * $h,
            $c * $h - $b,
            $b * $f - $c * $e,
            $f * $g - $d,
            $a - $c * $g,
            $c * $d - $a * $f,
            $d * $h - $e * $g,
            $b * $g - $a * $h,
            $a * $e - $b * $d,
        );
    }

    private static function normed(
        float $a,
        float $b,
        float $c,
        float $d,
        float $e,
        float $f,
        float $g,
        float $h,
        float $i,
    ): self {
        if (abs($i) < 1e-12) {
            throw new \InvalidArgumentException(
                'A drawing cannot be turned so far out of view. Set its corners again.',
            );
        }

        return new self(a: $a / $i, b: $b / $i, c: $c / $i, d: $d / $i, e: $e / $i, f: $f / $i, g: $g / $i, h: $h / $i);
    }

    /** @return array{float, float} */
    public function at(float $x, float $y): array
    {
        $w = $this->g * $x + $this->h * $y + 1;

        return [($this->a * $x + $this->b * $y + $this->c) / $w, ($this->d * $x + $this->e * $y + $this->f) / $w];
    }

    /** How many times as large things become about a place, as a length. */
    public function growth(float $x, float $y): float
    {
        [$px, $py] = $this->at($x, $y);
        [$rx, $ry] = $this->at($x + 1, $y);
        [$dx, $dy] = $this->at($x, $y + 1);

        return sqrt(abs(($rx - $px) * ($dy - $py) - ($ry - $py) * ($dx - $px)));
    }
}
