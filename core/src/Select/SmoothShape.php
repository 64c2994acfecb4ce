<?php

declare(strict_types=1);

namespace Awning\Core\Select;

use Awning\Core\Raster\Coverage;
use Awning\Core\Raster\Outline;
use Awning\Core\Raster\Rect;

/**
 * The inside of a closed outline, with smooth edges: each pixel is covered as far as the shape covers it, exactly along
 * the row and to a quarter of a pixel down. Where the outline crosses itself, every other time, as everywhere in the
 * flats.
 */
final readonly class SmoothShape implements Coverage
{
    /** Lines that are looked at in each row of pixels. */
    private const LINES = 4;

    private Rect $bounds;

    /**
     * @param  non-empty-list<array{float, float}>  $corners  one after the other round the shape, either way; px, pixel
     *     middles lie at halves
     * @param  Rect  $page  nothing is covered outside of it
     */
    public function __construct(private array $corners, Rect $page)
    {
        $this->bounds = (new Outline($corners))->bounds()->intersect($page);
    }

    public function bounds(): Rect
    {
        return $this->bounds;
    }

    public function cut(Rect $rect): ?string
    {
        $here = $rect->intersect($this->bounds);
        $edges = $this->edgesBetween($here->y, $here->bottom());

        return PaddedRows::of($rect, $here, fn (int $y): string => self::row($edges, $y, $here->x, $here->width));
    }

    /**
     * @return list<array{float, float, float, float}> the edges that come between two rows, each from its upper end to
     *     its lower one
     */
    private function edgesBetween(int $top, int $bottom): array
    {
        $edges = [];
        foreach ($this->corners as $i => [$x0, $y0]) {
            [$x1, $y1] = $this->corners[$i + 1] ?? $this->corners[0];
            if ($y0 !== $y1 && min($y0, $y1) < $bottom && max($y0, $y1) > $top) {
                $edges[] = $y0 < $y1 ? [$x0, $y0, $x1, $y1] : [$x1, $y1, $x0, $y0];
            }
        }

        return $edges;
    }

    /** @param  list<array{float, float, float, float}>  $edges */
    private static function row(array $edges, int $y, int $left, int $width): string
    {
        // How much more each pixel is covered than the one before it, in lines.
        $steps = [];
        for ($line = 0; $line < self::LINES; $line++) {
            foreach (self::crossings($edges, $y + ($line + 0.5) / self::LINES) as $i => $x) {
                $x = max(0.0, min((float) $width, $x - $left));
                $sign = $i % 2 === 0 ? 1 : -1;
                $pixel = (int) $x;
                $part = $x - $pixel;
                $steps[$pixel] = ($steps[$pixel] ?? 0.0) + $sign * (1 - $part);
                $steps[$pixel + 1] = ($steps[$pixel + 1] ?? 0.0) + $sign * $part;
            }
        }
        ksort($steps);
        $row = '';
        $covered = 0.0;
        foreach ($steps as $pixel => $more) {
            $until = min($pixel, $width);
            $row .= str_repeat(chr((int) round((255 * $covered) / self::LINES)), max(0, $until - strlen($row)));
            $covered = max(0.0, min((float) self::LINES, $covered + $more));
        }

        return str_pad($row, $width, "\0");
    }

    /**
     * @param  list<array{float, float, float, float}>  $edges
     * @return list<float> where a line goes in and out, from left to right
     */
    private static function crossings(array $edges, float $y): array
    {
        $crossings = [];
        foreach ($edges as [$x0, $y0, $x1, $y1]) {
            if ($y0 <= $y && $y < $y1) {
                $crossings[] = $x0 + (($y - $y0) / ($y1 - $y0)) * ($x1 - $x0);
            }
        }
        sort($crossings);

        return $crossings;
    }
}
