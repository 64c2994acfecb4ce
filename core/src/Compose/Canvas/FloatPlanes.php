<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Compose\Blend\BlendLine;
use Awning\Core\Page\Pass\BlendMode;

/**
 * Three channels of 0..1, not premultiplied, and the loops over them that run for whole pages.
 *
 * Each loop takes its planes out of the object first: a plane that two variables hold would be copied at the first
 * write, and a plain local array is what the compiler of PHP makes quick code for.
 */
final class FloatPlanes
{
    /** @param  array{array<int, float>, array<int, float>, array<int, float>}  $planes  red, green, blue */
    private function __construct(public array $planes)
    {
    }

    public static function of(Pixels $pixels): self
    {
        return new self([self::unit($pixels->red), self::unit($pixels->green), self::unit($pixels->blue)]);
    }

    /**
     * @param  list<array{int, int}>  $stretches  first pixel, pixel after the last
     * @param  array{float, float, float}  $colour
     */
    public function fill(array $stretches, array $colour): void
    {
        [$r, $g, $b] = $colour;
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $red[$i] = $r;
                $green[$i] = $g;
                $blue[$i] = $b;
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Leaves what is bright: all of a pixel whose brightest channel is full, nothing of one below the threshold, and a
     * smooth step between.
     *
     * @param  float  $threshold  0..0.99
     */
    public function keepBright(float $threshold): void
    {
        [$red, $green, $blue] = $this->take();
        foreach ($red as $i => $r) {
            $way = max(0.0, (max($r, $green[$i], $blue[$i]) - $threshold) / (1 - $threshold));
            $share = $way * $way * (3 - 2 * $way);
            $red[$i] *= $share;
            $green[$i] *= $share;
            $blue[$i] *= $share;
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Takes each pixel from elsewhere, between the four that are there; beyond its edge is what lies at its edge.
     *
     * @param  list<float>  $columns  for each pixel, where it is taken from: 0 is the middle of the first column
     * @param  list<float>  $rows
     */
    public function move(array $columns, array $rows, int $width, int $height): void
    {
        $was = $this->take();
        $moved = [[], [], []];
        foreach ($columns as $i => $column) {
            $x = max(0.0, min($width - 1.0, $column));
            $y = max(0.0, min($height - 1.0, $rows[$i]));
            [$left, $upper] = [(int) $x, (int) $y];
            [$across, $down] = [$x - $left, $y - $upper];
            $right = $left < $width - 1 ? 1 : 0;
            $first = $upper * $width + $left;
            $second = $upper < $height - 1 ? $first + $width : $first;
            foreach ($was as $channel => $plane) {
                $above = $plane[$first] + ($plane[$first + $right] - $plane[$first]) * $across;
                $below = $plane[$second] + ($plane[$second + $right] - $plane[$second]) * $across;
                $moved[$channel][] = $above + ($below - $above) * $down;
            }
        }
        $this->planes = $moved;
    }

    /**
     * One colour over an opaque picture, as much as the coverage says.
     *
     * @param  list<array{int, int}>  $stretches  first pixel, pixel after the last
     * @param  float  $scale  what a coverage of 1 counts: opacity / 255
     * @param  array{float, float, float}  $colour
     * @return bool false when the mode has no loop of its own here, and nothing was done
     */
    public function lay(array $stretches, string $coverage, float $scale, BlendMode $mode, array $colour): bool
    {
        [$r, $g, $b] = [
            BlendLine::of($mode, $colour[0]),
            BlendLine::of($mode, $colour[1]),
            BlendLine::of($mode, $colour[2]),
        ];
        if ($r !== null && $g !== null && $b !== null) {
            $this->layLines($stretches, $coverage, $scale, $r, $g, $b);
        } elseif ($mode === BlendMode::Overlay) {
            $this->layOverlay($stretches, $coverage, $scale, $colour);
        } elseif ($mode === BlendMode::SoftLight) {
            $this->laySoftLight($stretches, $coverage, $scale, $colour);
        } else {
            return false;
        }

        return true;
    }

    /** @param  list<array{int, int}>  $stretches */
    private function layLines(
        array $stretches,
        string $coverage,
        float $scale,
        BlendLine $r,
        BlendLine $g,
        BlendLine $b,
    ): void {
        [$redSlope, $redRise, $greenSlope, $greenRise, $blueSlope, $blueRise] = [
            $r->slope,
            $r->rise,
            $g->slope,
            $g->rise,
            $b->slope,
            $b->rise,
        ];
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $alpha = ord($coverage[$i]) * $scale;
                $red[$i] += ($redRise + $redSlope * $red[$i]) * $alpha;
                $green[$i] += ($greenRise + $greenSlope * $green[$i]) * $alpha;
                $blue[$i] += ($blueRise + $blueSlope * $blue[$i]) * $alpha;
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Overlay moves the backdrop by (2 cs - 1) times the distance to its nearer end.
     *
     * @param  list<array{int, int}>  $stretches
     * @param  array{float, float, float}  $colour
     */
    private function layOverlay(array $stretches, string $coverage, float $scale, array $colour): void
    {
        [$r, $g, $b] = [2 * $colour[0] - 1, 2 * $colour[1] - 1, 2 * $colour[2] - 1];
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $alpha = ord($coverage[$i]) * $scale;
                $red[$i] += $alpha * $r * ($red[$i] <= 0.5 ? $red[$i] : 1 - $red[$i]);
                $green[$i] += $alpha * $g * ($green[$i] <= 0.5 ? $green[$i] : 1 - $green[$i]);
                $blue[$i] += $alpha * $b * ($blue[$i] <= 0.5 ? $blue[$i] : 1 - $blue[$i]);
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Soft-light moves the backdrop by (2 cs - 1) times a curve of it: cb - cb^2 toward dark, D(cb) - cb toward light.
     * Written out for each channel: a call for each value doubles the time of a page.
     *
     * @param  list<array{int, int}>  $stretches
     * @param  array{float, float, float}  $colour
     */
    private function laySoftLight(array $stretches, string $coverage, float $scale, array $colour): void
    {
        [$r, $g, $b] = [2 * $colour[0] - 1, 2 * $colour[1] - 1, 2 * $colour[2] - 1];
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $alpha = ord($coverage[$i]) * $scale;
                $under = $red[$i];
                $end =
                    $r < 0
                        ? 2 * $under - $under * $under
                        : ($under <= 0.25
                            ? ((16 * $under - 12) * $under + 4) * $under
                            : sqrt($under));
                $red[$i] = $under + $alpha * $r * ($end - $under);
                $under = $green[$i];
                $end =
                    $g < 0
                        ? 2 * $under - $under * $under
                        : ($under <= 0.25
                            ? ((16 * $under - 12) * $under + 4) * $under
                            : sqrt($under));
                $green[$i] = $under + $alpha * $g * ($end - $under);
                $under = $blue[$i];
                $end =
                    $b < 0
                        ? 2 * $under - $under * $under
                        : ($under <= 0.25
                            ? ((16 * $under - 12) * $under + 4) * $under
                            : sqrt($under));
                $blue[$i] = $under + $alpha * $b * ($end - $under);
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Colours pixel by pixel, normally, over an opaque picture.
     *
     * @param  list<array{int, int}>  $stretches
     */
    public function layPixels(array $stretches, Pixels $source, string $alphas, float $scale): void
    {
        [$reds, $greens, $blues] = [$source->red, $source->green, $source->blue];
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $alpha = ord($alphas[$i]) * $scale;
                $red[$i] += (ord($reds[$i]) / 255 - $red[$i]) * $alpha;
                $green[$i] += (ord($greens[$i]) / 255 - $green[$i]) * $alpha;
                $blue[$i] += (ord($blues[$i]) / 255 - $blue[$i]) * $alpha;
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * Other planes over these, normally, as much as the coverage says; where that is full they take their place.
     *
     * @param  list<array{int, int}>  $stretches
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $others  as long as these
     */
    public function mixPlanes(array $stretches, array $others, string $coverage, float $scale): void
    {
        if ($scale >= 1 / 255 && strspn($coverage, "\xff") === count($this->planes[0])) {
            $this->planes = $others;

            return;
        }
        [$reds, $greens, $blues] = $others;
        [$red, $green, $blue] = $this->take();
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $alpha = ord($coverage[$i]) * $scale;
                if ($alpha >= 1.0) {
                    $red[$i] = $reds[$i];
                    $green[$i] = $greens[$i];
                    $blue[$i] = $blues[$i];
                } else {
                    $red[$i] += ($reds[$i] - $red[$i]) * $alpha;
                    $green[$i] += ($greens[$i] - $green[$i]) * $alpha;
                    $blue[$i] += ($blues[$i] - $blue[$i]) * $alpha;
                }
            }
        }
        $this->planes = [$red, $green, $blue];
    }

    /**
     * The planes in the caller's hands alone.
     *
     * @return array{array<int, float>, array<int, float>, array<int, float>}
     */
    private function take(): array
    {
        $planes = $this->planes;
        $this->planes = [[], [], []];

        return $planes;
    }

    /** @return array<int, float> bytes as 0..1 */
    public static function unit(string $plane): array
    {
        $count = strlen($plane);
        $parts = array_map(static fn (int $byte): float => $byte / 255, range(0, 255));
        $values = [];
        // Eight at a time, as in bytes().
        /** @var array<int, int> $words */
        $words = unpack('J*', $plane.str_repeat("\0", 7));
        foreach ($words as $word) {
            $values[] = $parts[($word >> 56) & 255];
            $values[] = $parts[($word >> 48) & 255];
            $values[] = $parts[($word >> 40) & 255];
            $values[] = $parts[($word >> 32) & 255];
            $values[] = $parts[($word >> 24) & 255];
            $values[] = $parts[($word >> 16) & 255];
            $values[] = $parts[($word >> 8) & 255];
            $values[] = $parts[$word & 255];
        }
        array_splice($values, $count);

        return $values;
    }

    /**
     * Rounded to one byte a value.
     *
     * @param  array<int, float>  $values  0..1
     */
    public static function bytes(array $values): string
    {
        $count = count($values);
        for ($i = $count; $i % 8 !== 0; $i++) {
            $values[] = 0.0;
        }
        // Eight at a time: one call that packs whole words is far quicker than one for each byte.
        $words = [];
        for ($i = 0; $i < $count; $i += 8) {
            $words[] =
                ((int) (255 * $values[$i] + 0.5) << 56) |
                ((int) (255 * $values[$i + 1] + 0.5) << 48) |
                ((int) (255 * $values[$i + 2] + 0.5) << 40) |
                ((int) (255 * $values[$i + 3] + 0.5) << 32) |
                ((int) (255 * $values[$i + 4] + 0.5) << 24) |
                ((int) (255 * $values[$i + 5] + 0.5) << 16) |
                ((int) (255 * $values[$i + 6] + 0.5) << 8) |
                (int) (255 * $values[$i + 7] + 0.5);
        }

        return substr(pack('J*', ...$words), 0, $count);
    }
}
