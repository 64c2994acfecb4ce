<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** Which regions lie beside each other, along how many pixels, and how much ink stands between them. */
final readonly class RegionGraph
{
    /** A border of fewer pixels is a corner that touches. */
    public const TOUCH = 4;

    /** A pixel of border counts once in the lower half of a number, its ink in the upper. */
    private const INK = 1 << 32;

    /**
     * @param  array<int, array<int, array{int, float}>>  $borders  pixels and mean ink (0..1), by region and neighbour,
     *     both ways round
     */
    public function __construct(public array $borders)
    {
    }

    /**
     * @param  Labels  $labels  grown under the lines, so that neighbours touch
     * @param  ?Plane  $ink  coverage; null: how strong the lines are does not matter
     * @param  ?list<array{int, int, int}>  $spans  of the labels, where they are known already
     */
    public static function of(Labels $labels, ?Plane $ink = null, ?array $spans = null): self
    {
        $pairs = [];
        $width = $labels->width;
        $above = [[], []];
        $inkAbove = '';
        foreach (self::rows($spans ?? Labels::spans($labels->data), $width) as $y => $row) {
            $inkHere = $ink === null ? '' : substr($ink->data, $y * $width, $width);
            self::countAcross($pairs, $row, $inkHere);
            self::countDown($pairs, $above, $row, $inkAbove);
            [$above, $inkAbove] = [$row, $inkHere];
        }
        $sums = [];
        foreach ($pairs as $pair => $sum) {
            [$a, $b] = [$pair >> 16, $pair & 0xFFFF];
            $sums[$a][$b] = ($sums[$a][$b] ?? 0) + $sum;
            $sums[$b][$a] = ($sums[$b][$a] ?? 0) + $sum;
        }

        return new self(
            array_map(
                fn (array $of): array => array_map(
                    fn (int $sum): array => [
                        $sum & (self::INK - 1),
                        intdiv($sum, self::INK) / 255 / ($sum & (self::INK - 1)),
                    ],
                    $of,
                ),
                $sums,
            ),
        );
    }

    /**
     * @param  list<array{int, int, int}>  $spans  of labels, over the ends of rows
     * @return iterable<int, array{list<int>, list<int>}> of each row the last pixel of each run, and its label
     */
    private static function rows(array $spans, int $width): iterable
    {
        $ends = $labels = [];
        $first = 0;
        foreach ($spans as [$from, $to, $label]) {
            while ($to - $first >= $width) {
                $ends[] = $width - 1;
                $labels[] = $label;
                yield intdiv($first, $width) => [$ends, $labels];
                $ends = $labels = [];
                $first += $width;
            }
            if ($to > $first) {
                $ends[] = $to - 1 - $first;
                $labels[] = $label;
            }
        }
    }

    /**
     * @param  array<int, int>  $pairs  by both labels in one number: pixels of border and ink
     * @param  array{list<int>, list<int>}  $row
     * @param  string  $ink  a byte a pixel of the row; empty: it does not matter
     */
    private static function countAcross(array &$pairs, array $row, string $ink): void
    {
        [$ends, $labels] = $row;
        for ($i = 1, $count = count($labels); $i < $count; $i++) {
            $pair = ($labels[$i - 1] << 16) | $labels[$i];
            $pairs[$pair] = ($pairs[$pair] ?? 0) + 1 + self::INK * self::inkIn($ink, $ends[$i - 1], $ends[$i - 1]);
        }
    }

    /**
     * Where two rows differ, run by run.
     *
     * @param  array<int, int>  $pairs  by both labels in one number: pixels of border and ink
     * @param  array{list<int>, list<int>}  $above
     * @param  array{list<int>, list<int>}  $below
     * @param  string  $ink  a byte a pixel of the upper row; empty: it does not matter
     */
    private static function countDown(array &$pairs, array $above, array $below, string $ink): void
    {
        [$ends, $labels] = $above;
        [$endsBelow, $labelsBelow] = $below;
        $j = $from = 0;
        foreach ($labels as $i => $label) {
            $end = $ends[$i];
            // Every run below that begins under this one; the last of them may go on under the next.
            while ($from <= $end) {
                $to = $endsBelow[$j] < $end ? $endsBelow[$j] : $end;
                if ($label !== $labelsBelow[$j]) {
                    $pair = ($label << 16) | $labelsBelow[$j];
                    $pairs[$pair] =
                        ($pairs[$pair] ?? 0) + ($to - $from + 1) + self::INK * self::inkIn($ink, $from, $to);
                }
                if ($endsBelow[$j] === $to) {
                    $j++;
                }
                $from = $to + 1;
            }
        }
    }

    /** The ink of a row from one pixel to another, added up; 0 where it does not matter. */
    private static function inkIn(string $ink, int $from, int $to): int
    {
        $sum = 0;
        if ($ink !== '') {
            for ($x = $from; $x <= $to; $x++) {
                $sum += ord($ink[$x]);
            }
        }

        return $sum;
    }

    /** @return array<int, int> pixels of border by neighbour */
    public function neighbours(int $region): array
    {
        return array_map(fn (array $border): int => $border[0], $this->borders[$region] ?? []);
    }

    /** @return array<int, float> mean ink on the border, 0..1, by neighbour */
    public function inkBetween(int $region): array
    {
        return array_map(fn (array $border): float => $border[1], $this->borders[$region] ?? []);
    }

    /** Pixels of border with all neighbours. */
    public function perimeter(int $region): int
    {
        return array_sum(array_column($this->borders[$region] ?? [], 0));
    }

    /** @return list<int> every region that has a neighbour */
    public function regions(): array
    {
        return array_keys($this->borders);
    }
}
