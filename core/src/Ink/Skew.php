<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * By how much a scan lies askew: the angle at which the most of its edges fall into straight rows and columns, as panel
 * borders do. Projection profiles (Postl 1986), with the sum of squares as the measure, on points of edges.
 */
final readonly class Skew
{
    /** Degrees to both sides that are looked at. */
    private const MOST = 10.0;

    /** Steps in degrees, each round looking about the best of the one before. */
    private const STEPS = [0.25, 0.05, 0.01];

    /** Columns, or rows, between those that are looked at. */
    private const APART = 4;

    private const AS_GOOD = 0.995;

    private const MOST_POINTS = 16_000;

    /** The first round needs only every so many of them. */
    private const ROUGHLY = 3;

    /** A border is a straight line of at least this part of the page. */
    private const BORDER = 0.25;

    /** @return ?float degrees clockwise by which it lies askew; null when there is no line long enough to tell */
    public static function of(Plane $ink): ?float
    {
        $across = self::upperEdges($ink);
        $down = self::leftEdges($ink);
        $best = 0.0;
        $range = self::MOST;
        foreach (self::STEPS as $round => $step) {
            [$a, $b] =
                $round === 0 ? [$across->thinned(self::ROUGHLY), $down->thinned(self::ROUGHLY)] : [$across, $down];
            $scores = [];
            $most = 0;
            for ($i = (int) -round($range / $step); $i <= (int) round($range / $step); $i++) {
                $angle = $best + $i * $step;
                $score = $a->inRows($angle)[0] + $b->inRows($angle)[0];
                $scores[sprintf('%.4f', $angle)] = $score;
                $most = max($most, $score);
            }
            // On a small page many angles fall into the same rows of pixels: the middle of the best.
            $good = array_map(
                floatval(...),
                array_keys(array_filter($scores, fn (int $score): bool => $score >= self::AS_GOOD * $most)),
            );
            $best = array_sum($good) / count($good);
            $range = 2 * $step;
        }
        $isLong =
            $across->inRows($best)[1] * $across->every * self::APART > self::BORDER * $ink->width ||
            $down->inRows($best)[1] * $down->every * self::APART > self::BORDER * $ink->height;

        return $isLong ? round($best, 2) : null;
    }

    /**
     * Of what runs across, in every few columns. Row by row: strings that fit the processor's cache cost a fraction of
     * whole planes.
     */
    private static function upperEdges(Plane $ink): EdgePoints
    {
        $columns = substr(
            str_repeat("\xff".str_repeat("\0", self::APART - 1), intdiv($ink->width, self::APART) + 1),
            0,
            $ink->width,
        );
        $above = str_repeat("\0", $ink->width);
        $xs = $ys = [];
        for ($y = 0; $y < $ink->height; $y++) {
            $row = self::isInk($ink, $y);
            $edges = $row & ~$above & $columns;
            for ($x = strpos($edges, "\xff"); $x !== false; $x = strpos($edges, "\xff", $x + 1)) {
                $xs[] = $x;
                $ys[] = $y;
            }
            $above = $row;
        }

        return (new EdgePoints($xs, $ys))->atMost(self::MOST_POINTS);
    }

    /** Of what runs down, in every few rows; turned so that columns are rows. */
    private static function leftEdges(Plane $ink): EdgePoints
    {
        $xs = $ys = [];
        for ($y = 0; $y < $ink->height; $y += self::APART) {
            $row = self::isInk($ink, $y);
            $edges = $row & ~("\0".substr($row, 0, -1));
            for ($x = strpos($edges, "\xff"); $x !== false; $x = strpos($edges, "\xff", $x + 1)) {
                $xs[] = -$x;
                $ys[] = $y;
            }
        }

        return (new EdgePoints($ys, $xs))->atMost(self::MOST_POINTS);
    }

    private static function isInk(Plane $ink, int $y): string
    {
        return strtr(substr($ink->data, $y * $ink->width, $ink->width), Bytes::identity(), Bytes::threshold(128));
    }
}
