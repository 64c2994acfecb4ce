<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;

/** Which regions lie beside each other, and along how many pixels. */
final readonly class RegionGraph
{
    /** @param  array<int, array<int, int>>  $borders  pixels of border, by region and neighbour, both ways round */
    private function __construct(public array $borders)
    {
    }

    /** @param  Labels  $labels  grown under the lines, so that neighbours touch */
    public static function of(Labels $labels): self
    {
        $pairs = [];
        $bytes = 2 * $labels->width;
        $above = '';
        for ($y = 0; $y < $labels->height; $y++) {
            $row = substr($labels->data, $y * $bytes, $bytes);
            self::count($pairs, substr($row, 0, -2), substr($row, 2));
            if ($y > 0) {
                self::count($pairs, $above, $row);
            }
            $above = $row;
        }
        $borders = [];
        foreach ($pairs as $pair => $length) {
            [$a, $b] = [$pair >> 16, $pair & 0xFFFF];
            $borders[$a][$b] = ($borders[$a][$b] ?? 0) + $length;
            $borders[$b][$a] = ($borders[$b][$a] ?? 0) + $length;
        }

        return new self($borders);
    }

    /**
     * Counts where two rows of labels differ.
     *
     * @param  array<int, int>  $pairs  by both labels in one number
     */
    private static function count(array &$pairs, string $a, string $b): void
    {
        $differs = $a ^ $b;
        for ($at = strspn($differs, "\0"), $end = strlen($differs); $at < $end; $at += strspn($differs, "\0", $at)) {
            $at &= ~1;
            $pair = ord($a[$at]) << 24 | ord($a[$at + 1]) << 16 | ord($b[$at]) << 8 | ord($b[$at + 1]);
            $pairs[$pair] = ($pairs[$pair] ?? 0) + 1;
            $at += 2;
        }
    }

    /** @return array<int, int> pixels of border by neighbour */
    public function neighbours(int $region): array
    {
        return $this->borders[$region] ?? [];
    }

    /** Pixels of border with all neighbours. */
    public function perimeter(int $region): int
    {
        return array_sum($this->borders[$region] ?? []);
    }
}
