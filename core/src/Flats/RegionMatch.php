<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;

/** Which regions of new flats are which of the old ones: each is the one it overlaps most. */
final readonly class RegionMatch
{
    /** Parts of fewer pixels, or of a smaller part of either, are shifts of an edge and no splitting or merging. */
    private const LEAST = 40;

    private const PART = 0.1;

    /** @param  array<int, array<int, int>>  $overlaps  pixels by new and old label */
    private function __construct(private array $overlaps)
    {
    }

    /** @param  Labels  $after  as large as before */
    public static function of(Labels $before, Labels $after): self
    {
        $overlaps = [];
        $old = Labels::spans($before->data);
        $i = 0;
        foreach (Labels::spans($after->data) as [$from, $to, $label]) {
            for ($at = $from; $at < $to; $at = $end) {
                while ($old[$i][1] <= $at) {
                    $i++;
                }
                $end = min($to, $old[$i][1]);
                $overlaps[$label][$old[$i][2]] = ($overlaps[$label][$old[$i][2]] ?? 0) + $end - $at;
            }
        }
        foreach ($overlaps as &$shares) {
            // Of equals the one with the smaller number, so that it is always the same.
            ksort($shares);
            arsort($shares);
        }

        return new self($overlaps);
    }

    /** The old region a new one is; null where nothing was. */
    public function before(int $label): ?int
    {
        return array_key_first(array_diff_key($this->overlaps[$label] ?? [], [0 => 0]));
    }

    /** @return array<int, list<int>> new regions by the old one they are parts of; only where there are several */
    public function split(): array
    {
        $parts = [];
        foreach ($this->overlaps as $label => $shares) {
            $old = $this->before($label);
            if ($old !== null && $this->isPart($shares[$old], array_sum($shares))) {
                $parts[$old][] = $label;
            }
        }

        return array_filter($parts, fn (array $labels): bool => count($labels) > 1);
    }

    /** @return array<int, list<int>> old regions by the new one that took them in; only where there are several */
    public function merged(): array
    {
        $whole = [];
        foreach ($this->overlaps as $shares) {
            foreach ($shares as $old => $pixels) {
                $whole[$old] = ($whole[$old] ?? 0) + $pixels;
            }
        }
        $taken = [];
        foreach ($this->overlaps as $label => $shares) {
            foreach ($shares as $old => $pixels) {
                // More than half of what it was.
                if ($old > 0 && 2 * $pixels > $whole[$old] && $this->isPart($pixels, array_sum($shares))) {
                    $taken[$label][] = $old;
                }
            }
        }

        return array_filter($taken, fn (array $labels): bool => count($labels) > 1);
    }

    private function isPart(int $pixels, int $of): bool
    {
        return $pixels >= self::LEAST && $pixels >= self::PART * $of;
    }
}
