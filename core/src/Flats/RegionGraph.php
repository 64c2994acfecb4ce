<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** Which regions lie beside each other, along how many pixels, and how much ink stands between them. */
final readonly class RegionGraph
{
    /** A pixel of border counts once in the lower half of a number, its ink in the upper. */
    private const INK = 1 << 32;

    /** @param  array<int, array<int, array{int, float}>>  $borders  pixels and mean ink (0..1), by region and neighbour, both ways round */
    public function __construct(public array $borders)
    {
    }

    /**
     * @param  Labels  $labels  grown under the lines, so that neighbours touch
     * @param  ?Plane  $ink  coverage; null: how strong the lines are does not matter
     */
    public static function of(Labels $labels, ?Plane $ink = null): self
    {
        $pairs = [];
        $width = $labels->width;
        $none = str_repeat("\0", $width);
        $above = $inkAbove = '';
        for ($y = 0; $y < $labels->height; $y++) {
            $row = substr($labels->data, 2 * $y * $width, 2 * $width);
            $inkRow = $ink === null ? $none : substr($ink->data, $y * $width, $width);
            self::count($pairs, substr($row, 0, -2), substr($row, 2), $inkRow);
            if ($y > 0) {
                self::count($pairs, $above, $row, $inkAbove);
            }
            [$above, $inkAbove] = [$row, $inkRow];
        }
        $sums = [];
        foreach ($pairs as $pair => $sum) {
            [$a, $b] = [$pair >> 16, $pair & 0xFFFF];
            $sums[$a][$b] = ($sums[$a][$b] ?? 0) + $sum;
            $sums[$b][$a] = ($sums[$b][$a] ?? 0) + $sum;
        }

        return new self(array_map(fn (array $of): array => array_map(fn (int $sum): array => [$sum & (self::INK - 1), intdiv($sum, self::INK) / 255 / ($sum & (self::INK - 1))], $of), $sums));
    }

    /**
     * Counts where two rows of labels differ.
     *
     * @param  array<int, int>  $pairs  by both labels in one number
     * @param  string  $ink  a byte a pixel of the first row
     */
    private static function count(array &$pairs, string $a, string $b, string $ink): void
    {
        $differs = $a ^ $b;
        for ($at = strspn($differs, "\0"), $end = strlen($differs); $at < $end; $at += strspn($differs, "\0", $at)) {
            $at &= ~1;
            $pair = ord($a[$at]) << 24 | ord($a[$at + 1]) << 16 | ord($b[$at]) << 8 | ord($b[$at + 1]);
            $pairs[$pair] = ($pairs[$pair] ?? 0) + 1 + ord($ink[$at >> 1]) * self::INK;
            $at += 2;
        }
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
