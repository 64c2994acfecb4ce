<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Labels;

/** How large a region is, where its middle lies and how far it spreads, in parts of its page. */
final readonly class RegionShape
{
    /**
     * @param  float  $share  of the page's pixels
     * @param  float  $x  of the middle, in parts of the page's width
     * @param  float  $y  of the middle, in parts of the page's height
     * @param  float  $wide  standard deviation of its columns, in parts of the page's width
     * @param  float  $high  standard deviation of its rows, in parts of the page's height
     */
    private function __construct(
        public float $share,
        public float $x,
        public float $y,
        public float $wide,
        public float $high,
    ) {
    }

    /** @return array<int, self> by label */
    public static function all(Labels $labels): array
    {
        $sums = [];
        [$width, $height] = [$labels->width, $labels->height];
        for ($y = 0; $y < $height; $y++) {
            foreach (Labels::spans(substr($labels->data, 2 * $y * $width, 2 * $width)) as [$from, $to, $label]) {
                $count = $to - $from;
                $middle = ($from + $to) / 2;
                $sum = $sums[$label] ?? [0, 0.0, 0.0, 0.0, 0.0];
                $sums[$label] = [
                    $sum[0] + $count,
                    $sum[1] + $count * $middle,
                    $sum[2] + $count * ($y + 0.5),
                    $sum[3] + $count * ($middle * $middle + ($count * $count - 1) / 12),
                    $sum[4] + $count * ($y + 0.5) ** 2,
                ];
            }
        }
        unset($sums[0]);

        return array_map(function (array $sum) use ($width, $height): self {
            [$count, $xs, $ys, $xx, $yy] = $sum;
            $spread = fn (float $squares, float $mean): float => sqrt(max(1 / 12, $squares / $count - $mean * $mean));

            return new self(
                $count / ($width * $height),
                $xs / $count / $width,
                $ys / $count / $height,
                $spread($xx, $xs / $count) / $width,
                $spread($yy, $ys / $count) / $height,
            );
        }, $sums);
    }

    /** How unlike another it is in place and shape; 0: the same. */
    public function unlike(self $other): float
    {
        $times = fn (float $a, float $b): float => abs(log($a / $b));

        return 2 * hypot($this->x - $other->x, $this->y - $other->y) +
            0.2 * $times($this->share, $other->share) +
            0.3 * abs(log($this->wide / $this->high) - log($other->wide / $other->high));
    }
}
