<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * Makes planes larger: Lanczos with three lobes (Duchon 1979), rows first, then columns. Where there is nothing within
 * reach there is nothing to compute.
 */
final readonly class Lanczos
{
    private const LOBES = 3;

    private const TAPS = 2 * self::LOBES;

    /** @throws \InvalidArgumentException when it would become smaller */
    public static function enlarged(Plane $plane, int $width, int $height): Plane
    {
        if ($width < $plane->width || $height < $plane->height) {
            throw new \InvalidArgumentException('A page is made larger here, not smaller.');
        }
        [$starts, $weights] = self::taps($plane->width, $width);
        $rows = [];
        for ($y = 0; $y < $plane->height; $y++) {
            $rows[] = self::row(substr($plane->data, $y * $plane->width, $plane->width), $starts, $weights, $width);
        }
        [$starts, $weights] = self::taps($plane->height, $height);
        $data = '';
        for ($y = 0; $y < $height; $y++) {
            $data .= self::column($rows, $starts[$y], $weights[$y], $width, $plane->height);
            // What no later row looks at is let go.
            unset($rows[$starts[$y] - 1]);
        }

        return new Plane($width, $height, $data);
    }

    /**
     * @return array{list<int>, list<list<float>>} for each pixel of the result the first it is made of, and the weights
     */
    private static function taps(int $from, int $to): array
    {
        $starts = $weights = [];
        for ($i = 0; $i < $to; $i++) {
            $at = (($i + 0.5) * $from) / $to - 0.5;
            $first = (int) floor($at) - self::LOBES + 1;
            $row = [];
            for ($tap = 0; $tap < self::TAPS; $tap++) {
                $row[] = self::weight($at - $first - $tap);
            }
            $sum = array_sum($row);
            $starts[] = $first;
            $weights[] = array_map(fn (float $weight): float => $weight / $sum, $row);
        }

        return [$starts, $weights];
    }

    private static function weight(float $x): float
    {
        if (abs($x) < 1e-9) {
            return 1.0;
        }

        return abs($x) >= self::LOBES
            ? 0.0
            : (self::LOBES * sin(M_PI * $x) * sin((M_PI * $x) / self::LOBES)) / (M_PI * M_PI * $x * $x);
    }

    /**
     * @param  list<int>  $starts
     * @param  list<list<float>>  $weights
     */
    private static function row(string $row, array $starts, array $weights, int $width): string
    {
        $out = str_repeat("\0", $width);
        $length = strlen($row);
        if (strspn($row, "\0") === $length) {
            return $out;
        }
        // Beyond its ends a row goes on as it ends.
        $padded = str_repeat($row[0], self::TAPS).$row.str_repeat($row[$length - 1], self::TAPS);
        for ($x = 0; $x < $width; $x++) {
            $at = $starts[$x] + self::TAPS;
            $first = $padded[$at];
            if (strspn($padded, $first, $at, self::TAPS) === self::TAPS) {
                $out[$x] = $first;

                continue;
            }
            [$a, $b, $c, $d, $e, $f] = $weights[$x];
            $value =
                $a * ord($first) +
                $b * ord($padded[$at + 1]) +
                $c * ord($padded[$at + 2]) +
                $d * ord($padded[$at + 3]) +
                $e * ord($padded[$at + 4]) +
                $f * ord($padded[$at + 5]);
            $out[$x] = chr($value <= 0 ? 0 : ($value >= 255 ? 255 : (int) ($value + 0.5)));
        }

        return $out;
    }

    /**
     * @param  array<int, string>  $rows
     * @param  list<float>  $weights
     */
    private static function column(array $rows, int $start, array $weights, int $width, int $height): string
    {
        $taps = [];
        for ($tap = 0; $tap < self::TAPS; $tap++) {
            $taps[] = $rows[max(0, min($height - 1, $start + $tap))];
        }
        [$r, $s, $t, $u, $v, $w] = $taps;
        [$a, $b, $c, $d, $e, $f] = $weights;
        $out = $r;
        // Only where the rows differ is there anything to mix.
        $differ = ($r ^ $s) | ($s ^ $t) | ($t ^ $u) | ($u ^ $v) | ($v ^ $w);
        for ($x = strspn($differ, "\0"); $x < $width; $x += strspn($differ, "\0", $x)) {
            for (; $x < $width && $differ[$x] !== "\0"; $x++) {
                $value =
                    $a * ord($r[$x]) +
                    $b * ord($s[$x]) +
                    $c * ord($t[$x]) +
                    $d * ord($u[$x]) +
                    $e * ord($v[$x]) +
                    $f * ord($w[$x]);
                $out[$x] = chr($value <= 0 ? 0 : ($value >= 255 ? 255 : (int) ($value + 0.5)));
            }
        }

        return $out;
    }
}
