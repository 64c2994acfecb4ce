<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Colour\Difference;
use Awning\Core\Colour\Lab;
use Awning\Core\Colour\Rgb;
use Awning\Core\Colour\Verdict;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Components;
use Awning\Core\Raster\Paint;
use Awning\Core\Raster\Runs;

/**
 * Takes over somebody's flat colours: finds which colours are meant, whatever smoothed edges, noise and compression
 * made of them, matches each to a palette, and gives every pixel exactly one of them. Pixels on edges go to the nearest
 * flat area.
 */
final readonly class ColourTaker
{
    /** Colours are counted in cubes of so many steps a channel. */
    private const SHIFT = 3;

    /**
     * A pixel is flat where pixels so far to all four sides differ by no more in any channel: noise and compression, no
     * edge.
     */
    private const FLAT = 12;

    private const AROUND = 4;

    /** A colour is meant when so many flat pixels have it: a part of all, and at least. */
    private const SHARE = 0.0001;

    private const LEAST = 24;

    /** Colours nearer than this, CIEDE2000, are one that noise drew apart; pixels up to this far off belong to it. */
    private const SAME = 4.5;

    private const BELONGS = 9.0;

    /** Islands of fewer pixels are edges. */
    private const CRUMB = 14;

    /** @param  list<Rgb>  $palette  empty: there is none */
    public function __construct(private array $palette = [])
    {
    }

    public function take(Paint $theirs): TakenFlats
    {
        $keys = $this->keys($theirs);
        $meant = $this->meant($this->counted($theirs, $keys));
        $index = $this->assigned($keys, $meant);
        $labels = $this->grown($index, $theirs->width, $theirs->height, count($meant));
        $counts = array_fill(0, count($meant), 0);
        foreach (count_chars($labels, 1) as $value => $count) {
            $counts[max(0, $value - 1)] += $count;
        }
        $colours = [];
        foreach ($meant as $i => $colour) {
            $colours[] = $this->matched($colour, $counts[$i] / max(1, strlen($labels)));
        }

        return new TakenFlats($theirs->width, $theirs->height, $labels, $colours);
    }

    /** @return string two bytes a pixel: the cube of its colour */
    private function keys(Paint $theirs): string
    {
        $keys = '';
        [$red, $green, $blue] = [$theirs->red, $theirs->green, $theirs->blue];
        for ($at = 0, $count = strlen($red); $at < $count; $at++) {
            $key =
                ((ord($red[$at]) >> self::SHIFT) << 10) |
                ((ord($green[$at]) >> self::SHIFT) << 5) |
                (ord($blue[$at]) >> self::SHIFT);
            $keys .= chr($key >> 8).chr($key & 255);
        }

        return $keys;
    }

    /**
     * @return array<int, array{int, int, int, int}> of the flat pixels of each cube: how many, and the sums of their
     *     channels
     */
    private function counted(Paint $theirs, string $keys): array
    {
        $counts = [];
        $width = $theirs->width;
        $far = self::AROUND;
        for ($y = $far; $y < $theirs->height - $far; $y++) {
            for ($at = $y * $width + $far, $end = ($y + 1) * $width - $far; $at < $end; $at++) {
                if (
                    ! self::isFlat($theirs->green, $at, $width) ||
                    ! self::isFlat($theirs->red, $at, $width) ||
                    ! self::isFlat($theirs->blue, $at, $width)
                ) {
                    continue;
                }
                $key = (ord($keys[2 * $at]) << 8) | ord($keys[2 * $at + 1]);
                $count = $counts[$key] ?? [0, 0, 0, 0];
                $counts[$key] = [
                    $count[0] + 1,
                    $count[1] + ord($theirs->red[$at]),
                    $count[2] + ord($theirs->green[$at]),
                    $count[3] + ord($theirs->blue[$at]),
                ];
            }
        }

        return $counts;
    }

    private static function isFlat(string $plane, int $at, int $width): bool
    {
        $value = ord($plane[$at]);

        return abs($value - ord($plane[$at - self::AROUND])) <= self::FLAT &&
            abs($value - ord($plane[$at + self::AROUND])) <= self::FLAT &&
            abs($value - ord($plane[$at - self::AROUND * $width])) <= self::FLAT &&
            abs($value - ord($plane[$at + self::AROUND * $width])) <= self::FLAT;
    }

    /**
     * The most frequent colour takes in all that are too near to be others, then the most frequent of those left.
     *
     * @param  array<int, array{int, int, int, int}>  $counts
     * @return non-empty-list<Rgb>
     */
    private function meant(array $counts): array
    {
        uasort($counts, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $least = max(self::LEAST, self::SHARE * array_sum(array_column($counts, 0)));
        /** @var list<array{Lab, array{int, int, int, int}, Rgb}> $meant */
        $meant = [];
        foreach ($counts as $count) {
            $colour = self::mean($count);
            $lab = Lab::of($colour);
            foreach ($meant as $i => [$other, $sums]) {
                if (Difference::ciede2000($lab, $other) < self::SAME) {
                    // What is most frequent stays what it is: the mean of noise drifts.
                    $meant[$i][1][0] = $sums[0] + $count[0];

                    continue 2;
                }
            }
            $meant[] = [$lab, $count, $colour];
        }
        $kept = array_values(array_filter($meant, fn (array $one): bool => $one[1][0] >= $least));
        $kept = array_slice($kept === [] ? $meant : $kept, 0, 255);

        return $kept === [] ? [new Rgb(255, 255, 255)] : array_map(fn (array $one): Rgb => $one[2], $kept);
    }

    /** @param  array{int, int, int, int}  $count */
    private static function mean(array $count): Rgb
    {
        return new Rgb(
            (int) round($count[1] / $count[0]),
            (int) round($count[2] / $count[0]),
            (int) round($count[3] / $count[0]),
        );
    }

    /**
     * @param  non-empty-list<Rgb>  $meant
     * @return string a byte a pixel: from 1 the colour it belongs to, 0 where it lies between
     */
    private function assigned(string $keys, array $meant): string
    {
        $labs = array_map(Lab::of(...), $meant);
        $of = [];
        $index = '';
        for ($at = 0, $end = strlen($keys); $at < $end; $at += 2) {
            $key = $keys[$at].$keys[$at + 1];
            $index .= $of[$key] ??= chr($this->nearest(self::middle((ord($key[0]) << 8) | ord($key[1])), $labs));
        }

        return $index;
    }

    private static function middle(int $key): Lab
    {
        $half = 1 << (self::SHIFT - 1);

        return Lab::of(
            new Rgb(
                (($key >> 10) << self::SHIFT) + $half,
                ((($key >> 5) & 31) << self::SHIFT) + $half,
                (($key & 31) << self::SHIFT) + $half,
            ),
        );
    }

    /** @param  non-empty-list<Lab>  $labs */
    private function nearest(Lab $lab, array $labs): int
    {
        $differences = array_map(fn (Lab $other): float => Difference::ciede2000($lab, $other), $labs);
        $least = min($differences);

        return $least <= self::BELONGS ? 1 + (int) array_search($least, $differences, true) : 0;
    }

    /** @return string a byte a pixel, from 1, none left open */
    private function grown(string $index, int $width, int $height, int $colours): string
    {
        $labels = '';
        $index = $this->withoutCrumbs($index, $width, $height, $colours);
        if (Bytes::isNothing($index)) {
            return str_repeat("\1", strlen($index));
        }
        $open = strtr($index, "\0\xff", "\xff\0");
        for ($value = 1; $value <= min(254, $colours); $value++) {
            $open = strtr($open, chr($value), "\0");
        }
        for ($at = 0, $end = strlen($index); $at < $end; $at += 65536) {
            $labels .= implode("\0", str_split(substr($index, $at, 65536)))."\0";
        }
        $labels = "\0".substr($labels, 0, -1);
        (new TrapGrowth)->grow($labels, $open, $width, $height);
        $grown = '';
        for ($at = 1, $end = strlen($labels); $at < $end; $at += 2) {
            $grown .= $labels[$at];
        }

        return $grown;
    }

    /** Islands too small to be meant are left open. */
    private function withoutCrumbs(string $index, int $width, int $height, int $colours): string
    {
        for ($value = 1; $value <= $colours; $value++) {
            $runs = Runs::of($index, $width, $height, chr($value));
            $islands = Components::of($runs);
            foreach ($islands->of as $run => $island) {
                if ($islands->area[$island] < self::CRUMB) {
                    for ($at = $runs->from[$run]; $at < $runs->to[$run]; $at++) {
                        $index[$at] = "\0";
                    }
                }
            }
        }

        return $index;
    }

    private function matched(Rgb $theirs, float $share): TakenColour
    {
        $best = null;
        $least = INF;
        foreach ($this->palette as $colour) {
            $difference = Difference::ciede2000(Lab::of($theirs), Lab::of($colour));
            if ($difference < $least) {
                [$best, $least] = [$colour, $difference];
            }
        }

        return new TakenColour(
            $theirs,
            $best !== null && Verdict::of($least) !== Verdict::Unknown ? $best : $theirs,
            $best === null ? null : $least,
            $share,
        );
    }
}
