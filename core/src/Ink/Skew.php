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
        $isInk = strtr($ink->data, Bytes::identity(), Bytes::threshold(128));
        $width = $ink->width;
        // Upper edges of what runs across, left edges of what runs down.
        $across = self::points($isInk & ~(str_repeat("\0", min($width, strlen($isInk))).substr($isInk, 0, -$width)) & self::everyFew($width, $ink->height, false), $width, false);
        $down = self::points($isInk & ~("\0".substr($isInk, 0, -1)) & self::everyFew($width, $ink->height, true), $width, true);
        $best = 0.0;
        $range = self::MOST;
        foreach (self::STEPS as $round => $step) {
            [$a, $b] = $round === 0 ? [self::thinned($across), self::thinned($down)] : [$across, $down];
            $scores = [];
            $most = 0;
            for ($i = (int) -round($range / $step); $i <= (int) round($range / $step); $i++) {
                $angle = $best + $i * $step;
                $score = self::inRow($a, $angle)[0] + self::inRow($b, $angle)[0];
                $scores[sprintf('%.4f', $angle)] = $score;
                $most = max($most, $score);
            }
            // On a small page many angles fall into the same rows of pixels: the middle of the best.
            $good = array_map(floatval(...), array_keys(array_filter($scores, fn (int $score): bool => $score >= self::AS_GOOD * $most)));
            $best = array_sum($good) / count($good);
            $range = 2 * $step;
        }
        $isLong = self::inRow($across, $best)[1] * $across['every'] * self::APART > self::BORDER * $width
            || self::inRow($down, $best)[1] * $down['every'] * self::APART > self::BORDER * $ink->height;

        return $isLong ? round($best, 2) : null;
    }

    /** A mask of every so many columns, or rows: enough of what runs across them. */
    private static function everyFew(int $width, int $height, bool $rows): string
    {
        if ($rows) {
            return substr(str_repeat(str_repeat("\xff", $width).str_repeat("\0", (self::APART - 1) * $width), intdiv($height, self::APART) + 1), 0, $width * $height);
        }

        return str_repeat(substr(str_repeat("\xff".str_repeat("\0", self::APART - 1), intdiv($width, self::APART) + 1), 0, $width), $height);
    }

    /**
     * @param  bool  $swap  x and y changed for each other, and one of them turned round: columns are rows then
     * @return array{along: list<int>, off: list<int>, every: int} every so many points
     */
    private static function points(string $edges, int $width, bool $swap): array
    {
        $every = max(1, intdiv(substr_count($edges, "\xff"), self::MOST_POINTS));
        $xs = $ys = [];
        $count = 0;
        for ($at = strpos($edges, "\xff"); $at !== false; $at = strpos($edges, "\xff", $at + 1)) {
            if ($count++ % $every === 0) {
                $xs[] = $at % $width;
                $ys[] = intdiv($at, $width);
            }
        }

        return $swap ? ['along' => $ys, 'off' => array_map(fn (int $x): int => -$x, $xs), 'every' => $every] : ['along' => $xs, 'off' => $ys, 'every' => $every];
    }

    /**
     * @param  array{along: list<int>, off: list<int>, every: int}  $points
     * @return array{along: array<int, int>, off: array<int, int>, every: int}
     */
    private static function thinned(array $points): array
    {
        $points['along'] = array_filter($points['along'], fn (int $i): bool => $i % self::ROUGHLY === 0, ARRAY_FILTER_USE_KEY);

        return $points;
    }

    /**
     * @param  array{along: array<int, int>, off: array<int, int>, every: int}  $points
     * @return array{int, int} how much they fall into rows at an angle, and how many lie in the fullest
     */
    private static function inRow(array $points, float $degrees): array
    {
        $sin = sin(deg2rad($degrees));
        $cos = cos(deg2rad($degrees));
        $rows = [];
        foreach ($points['along'] as $i => $along) {
            $row = (int) floor($points['off'][$i] * $cos - $along * $sin);
            $rows[$row] = ($rows[$row] ?? 0) + 1;
        }
        $sum = 0;
        foreach ($rows as $count) {
            $sum += $count * $count;
        }

        return [$sum, $rows === [] ? 0 : max($rows)];
    }
}
