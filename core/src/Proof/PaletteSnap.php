<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Colour\Verdict;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Paint;

/**
 * Moves a picture's colours onto the palette they were matched to. Pixels of a flat area become the tone exactly; a
 * pixel of a smoothed edge is unmixed into the two colours it lies between (the foot of the perpendicular on the line
 * between them, in encoded sRGB, in which edges are smoothed) and moved by as much as that mixture moves. Lines, and
 * colours the palette does not know, stay, and edges towards them are mixed from them as they are.
 */
final class PaletteSnap
{
    /**
     * Steps of a channel by which a pixel of a flat area may be off it: noise, and what JPEG leaves; at the least and
     * the most.
     */
    private const CLEAN = 2;

    private const NOISE = 14;

    /** So many times what most of the pixels deep inside a flat area are off. */
    private const TIMES = 1.5;

    private const MOST_OF_THEM = 0.95;

    /** Of pixels, between two words on how far it is. */
    private const ROWS = 64;

    /** Blocks that are looked at for that, about. */
    private const LOOKS = 60_000;

    /** Steps off the line between two colours up to which a pixel is a mixture of them. */
    private const OFF = 24;

    /** Pixels to either side in which the end of an edge towards a thin line is looked for. */
    private const REACH = 3;

    /**
     * @var array<int, array{array{int, int, int}, array{int, int, int}}> of each number the colour there, and what it
     *     becomes
     */
    private array $moves = [];

    /**
     * @var array<int, ?array{string, string, string}> of each number, per channel, which values are flat; null: it
     *     stays as it is
     */
    private array $flat = [];

    /** @var array<int, list<int>> of each block the numbers in and around it */
    private array $around = [];

    private function __construct(private readonly Paint $picture, private readonly PaletteDrift $drift)
    {
        $noise = $this->noise();
        foreach ($drift->colours as $i => $colour) {
            $off = $noise[$i + 1] ?? self::CLEAN;
            $from = $colour->colour->parts();
            $stays = $colour->verdict() === Verdict::Unknown;
            $this->moves[$i + 1] = [$from, $stays ? $from : $colour->tone->colour->parts()];
            $this->flat[$i + 1] = $stays
                ? null
                : array_map(
                    fn (int $part): string => Bytes::table(
                        fn (int $value): int => abs($value - $part) <= $off ? 255 : 0,
                    ),
                    $from,
                );
        }
    }

    /** @return array<int, int> of each number by how many steps a pixel of its flat area may be off it */
    private function noise(): array
    {
        $off = [];
        [$columns, $side, $of] = [$this->drift->columns, $this->drift->side, $this->drift->of];
        $blocks = intdiv(strlen($of), 2);
        for (
            $block = $columns + 1, $step = 1 + intdiv($blocks, self::LOOKS);
            $block < $blocks - $columns - 1;
            $block += $step
        ) {
            $here = substr($of, 2 * $block, 2);
            if (
                $here !== substr($of, 2 * $block - 2, 2) ||
                $here !== substr($of, 2 * $block + 2, 2) ||
                $here !== substr($of, 2 * ($block - $columns), 2) ||
                $here !== substr($of, 2 * ($block + $columns), 2)
            ) {
                continue;
            }
            $number = (ord($here[0]) << 8) | ord($here[1]);
            $at =
                min($this->picture->height - 1, intdiv($block, $columns) * $side) * $this->picture->width +
                min($this->picture->width - 1, ($block % $columns) * $side);
            $parts = $this->drift->colours[$number - 1]->colour->parts();
            $off[$number][] = max(
                abs(ord($this->picture->red[$at]) - $parts[0]),
                abs(ord($this->picture->green[$at]) - $parts[1]),
                abs(ord($this->picture->blue[$at]) - $parts[2]),
            );
        }

        return array_map(function (array $steps): int {
            sort($steps);

            return (int) max(
                self::CLEAN,
                min(self::NOISE, round(self::TIMES * $steps[(int) (self::MOST_OF_THEM * (count($steps) - 1))])),
            );
        }, $off);
    }

    /**
     * @param  PaletteDrift  $drift  what came of holding that picture against the palette
     * @param  ?callable(float): void  $goOn  told now and then how far it is; may throw to end the work
     */
    public static function of(Paint $picture, PaletteDrift $drift, ?callable $goOn = null): Paint
    {
        return (new self($picture, $drift))->snapped($goOn ?? static fn () => null);
    }

    /** @param  callable(float): void  $goOn */
    private function snapped(callable $goOn): Paint
    {
        [$width, $height] = [$this->picture->width, $this->picture->height];
        $planes = ['', '', ''];
        for ($y = 0; $y < $height; $y++) {
            if ($y % self::ROWS === 0) {
                $goOn($y / $height);
            }
            $row = [
                substr($this->picture->red, $y * $width, $width),
                substr($this->picture->green, $y * $width, $width),
                substr($this->picture->blue, $y * $width, $width),
            ];
            foreach ($this->row($row, intdiv($y, $this->drift->side)) as $i => $plane) {
                $planes[$i] .= $plane;
            }
        }

        return new Paint($width, $height, $planes[0], $planes[1], $planes[2], $this->picture->alpha);
    }

    /**
     * @param  array{string, string, string}  $row
     * @return array{string, string, string}
     */
    private function row(array $row, int $blockRow): array
    {
        $width = strlen($row[0]);
        $out = $row;
        $numbers = substr($this->drift->of, 2 * $this->drift->columns * $blockRow, 2 * $this->drift->columns);
        foreach (Labels::spans($numbers) as [$from, $to, $number]) {
            $tables = $this->flat[$number] ?? null;
            $left = $from * $this->drift->side;
            $length = min($width, $to * $this->drift->side) - $left;
            $isFlat = $tables === null ? str_repeat("\0", $length) : $this->isFlat($row, $tables, $left, $length);
            for ($at = 0; $at < $length;) {
                $run = strspn($isFlat, "\xff", $at);
                foreach ($run === 0 ? [] : $this->moves[$number][1] as $i => $part) {
                    $out[$i] = substr_replace($out[$i], str_repeat(chr($part), $run), $left + $at, $run);
                }
                $at += $run;
                for ($end = $at + strcspn($isFlat, "\xff", $at); $at < $end; $at++) {
                    foreach ($this->unmixed($row, $left + $at, $blockRow, $number) as $i => $part) {
                        $out[$i][$left + $at] = chr($part);
                    }
                }
            }
        }

        return $out;
    }

    /**
     * @param  array{string, string, string}  $row
     * @param  array{string, string, string}  $tables
     * @return string 255 where a pixel is of the flat colour
     */
    private function isFlat(array $row, array $tables, int $left, int $length): string
    {
        $flat = str_repeat("\xff", $length);
        foreach ($row as $i => $plane) {
            $flat &= strtr(substr($plane, $left, $length), Bytes::identity(), $tables[$i]);
        }

        return $flat;
    }

    /**
     * @param  array{string, string, string}  $row
     * @return array{int, int, int}
     */
    private function unmixed(array $row, int $x, int $blockRow, int $number): array
    {
        $pixel = [ord($row[0][$x]), ord($row[1][$x]), ord($row[2][$x])];
        $known = array_map(
            fn (int $one): array => $this->moves[$one],
            $this->around($blockRow, intdiv($x, $this->drift->side)),
        );
        $best = $this->between($pixel, $known);
        if ($best === null) {
            $end = $this->end($row, $x, $this->moves[$number][0]);
            $best = $this->between($pixel, [$this->moves[$number], [$end, $end]]) ?? $pixel;
        }

        return $best;
    }

    /**
     * @param  array{int, int, int}  $pixel
     * @param  list<array{array{int, int, int}, array{int, int, int}}>  $known
     * @return ?array{int, int, int} null where it lies between no two of them
     */
    private function between(array $pixel, array $known): ?array
    {
        $least = self::OFF ** 2;
        $best = null;
        foreach ($known as $i => [$a, $toA]) {
            $off = self::squared($pixel, $a);
            if ($off < $least && $off <= self::NOISE ** 2) {
                // Of one colour alone: the tone it becomes, or left as it is.
                $least = $off;
                $best = $toA === $a ? $pixel : $toA;
            }
            foreach (array_slice($known, $i + 1) as [$b, $toB]) {
                $length = self::squared($b, $a);
                if ($length === 0) {
                    continue;
                }
                $share = max(
                    0.0,
                    min(
                        1.0,
                        (($pixel[0] - $a[0]) * ($b[0] - $a[0]) +
                            ($pixel[1] - $a[1]) * ($b[1] - $a[1]) +
                            ($pixel[2] - $a[2]) * ($b[2] - $a[2])) /
                            $length,
                    ),
                );
                $off = self::squared($pixel, self::mixed($a, $b, $share));
                if ($off < $least) {
                    $least = $off;
                    $best = self::moved($pixel, self::mixed($a, $b, $share), self::mixed($toA, $toB, $share));
                }
            }
        }

        return $best;
    }

    /**
     * Where an edge that runs into a line ends: the pixel nearby that is furthest from the flat colour.
     *
     * @param  array{string, string, string}  $row
     * @param  array{int, int, int}  $flat
     * @return array{int, int, int}
     */
    private function end(array $row, int $x, array $flat): array
    {
        $most = -1;
        $end = $flat;
        for (
            $at = max(0, $x - self::REACH), $last = min(strlen($row[0]) - 1, $x + self::REACH);
            $at <= $last;
            $at++
        ) {
            $pixel = [ord($row[0][$at]), ord($row[1][$at]), ord($row[2][$at])];
            $off = self::squared($pixel, $flat);
            if ($off > $most) {
                [$most, $end] = [$off, $pixel];
            }
        }

        return $end;
    }

    /** @return list<int> */
    private function around(int $row, int $column): array
    {
        $block = $row * $this->drift->columns + $column;
        if (! isset($this->around[$block])) {
            // A picture has many blocks; those of the rows above are not asked for again.
            $this->around = count($this->around) > 4 * $this->drift->columns ? [] : $this->around;
            $rows = intdiv(strlen($this->drift->of), 2 * $this->drift->columns);
            $numbers = [];
            for ($y = max(0, $row - 1); $y <= min($rows - 1, $row + 1); $y++) {
                for ($x = max(0, $column - 1); $x <= min($this->drift->columns - 1, $column + 1); $x++) {
                    $at = 2 * ($y * $this->drift->columns + $x);
                    $numbers[(ord($this->drift->of[$at]) << 8) | ord($this->drift->of[$at + 1])] = true;
                }
            }
            $this->around[$block] = array_keys($numbers);
        }

        return $this->around[$block];
    }

    /**
     * @param  array{int, int, int}  $a
     * @param  array{int|float, int|float, int|float}  $b
     */
    private static function squared(array $a, array $b): int
    {
        return (int) (($a[0] - $b[0]) ** 2 + ($a[1] - $b[1]) ** 2 + ($a[2] - $b[2]) ** 2);
    }

    /**
     * By as much as the mixture moves: what the pixel was off it, it stays off it.
     *
     * @param  array{int, int, int}  $pixel
     * @param  array{int, int, int}  $from
     * @param  array{int, int, int}  $to
     * @return array{int, int, int}
     */
    private static function moved(array $pixel, array $from, array $to): array
    {
        $part = fn (int $i): int => max(0, min(255, $pixel[$i] + $to[$i] - $from[$i]));

        return [$part(0), $part(1), $part(2)];
    }

    /**
     * @param  array{int, int, int}  $a
     * @param  array{int, int, int}  $b
     * @return array{int, int, int}
     */
    private static function mixed(array $a, array $b, float $share): array
    {
        return [
            (int) round($a[0] + $share * ($b[0] - $a[0])),
            (int) round($a[1] + $share * ($b[1] - $a[1])),
            (int) round($a[2] + $share * ($b[2] - $a[2])),
        ];
    }
}
