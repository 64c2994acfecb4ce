<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Chance;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/**
 * Turns a stroke of a brush with a tip into coverage: the tip is laid down place after place along the path, each place
 * laying its flow of what is missing to its opacity. Everything random comes from the tip's seed and the number of the
 * place, so that the same stroke is the same pixels. The browser's resources/js/picture/dabs.ts draws the same.
 */
final class DabRaster
{
    /** Pixels of tips that are laid for one stroke: about two seconds' work. */
    private const MOST_WORK = 16_000_000;

    /** How much of the middle of a wet stroke is gone when it has dried. */
    private const DRIED = 0.65;

    /** @var array<string, array<int, float>> how much is covered, 0..1, by "column,row" of tiles */
    private array $tiles = [];

    private int $work = 0;

    private function __construct(
        private readonly Brush $brush,
        private readonly Tip $tip,
        private readonly Rect $page,
    ) {
    }

    /** @throws \RangeException when it is more than is drawn in one go */
    public static function draw(Path $path, Brush $brush, Tip $tip, Rect $page): StrokeMask
    {
        return (new self($brush, $tip, $page))->drawn($path->followed($brush));
    }

    /** @param  non-empty-list<array{float, float, float}>  $path */
    private function drawn(array $path): StrokeMask
    {
        $picture = TipPicture::of($this->tip, $this->brush->hardness);
        $bounds = [INF, INF, -INF, -INF];
        foreach ($this->places($path) as [$x, $y, $radius, $angle, $flow, $ceiling]) {
            $bounds = [
                min($bounds[0], $x - $radius),
                min($bounds[1], $y - $radius),
                max($bounds[2], $x + $radius),
                max($bounds[3], $y + $radius),
            ];
            $this->lay($picture, $x, $y, $radius, $angle, $flow, $ceiling);
        }
        $where =
            $bounds[0] > $bounds[2]
                ? new Rect(0, 0, 0, 0)
                : Rect::bounds(
                    (int) floor($bounds[0]),
                    (int) floor($bounds[1]),
                    (int) ceil($bounds[2]),
                    (int) ceil($bounds[3]),
                )->intersect($this->page);

        return $where->isEmpty()
            ? new StrokeMask($where, '')
            : Grain::on(new StrokeMask($where, $this->joined($where)), $this->tip->grain);
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $path
     * @return \Generator<array{float, float, float, float, float, float}> middle, radius, angle in radians, flow, and
     *     the most that is covered by it
     */
    private function places(array $path): \Generator
    {
        [$size, $tip] = [$this->brush->size, $this->tip];
        $apart = max(0.75, $tip->spacing * $size);
        $total = Path::lengthOf($path);
        $number = 0;
        $done = $next = 0.0;
        foreach (array_slice($path, 1) ?: [$path[0]] as $i => [$toX, $toY, $toPressure]) {
            [$x, $y, $pressure] = $path[$i];
            $length = hypot($toX - $x, $toY - $y);
            $direction = $length > 0 ? atan2($toY - $y, $toX - $x) : 0.0;
            for (; $next <= $done + $length; $next += $apart) {
                $part = $length > 0 ? ($next - $done) / $length : 0.0;
                yield $this->place(
                    $number++,
                    $x + ($toX - $x) * $part,
                    $y + ($toY - $y) * $part,
                    $pressure + ($toPressure - $pressure) * $part,
                    $direction,
                    min($next, $total - $next),
                    $total,
                );
            }
            $done += $length;
        }
    }

    /**
     * @param  float  $inside  px to the nearer end of the stroke
     * @return array{float, float, float, float, float, float}
     */
    private function place(
        int $number,
        float $x,
        float $y,
        float $pressure,
        float $direction,
        float $inside,
        float $total,
    ): array {
        [$size, $tip] = [$this->brush->size, $this->tip];
        $chance = fn (int $which): float => Chance::at($tip->seed, 8 * $number + $which);
        $thin = $tip->taper > 0 && $total > 0 ? min(1.0, $inside / ($tip->taper * $total)) : 1.0;
        $radius = ($size / 2) * $tip->sizeBy->at($pressure) * $thin * (1 - $tip->jitter * $chance(0));
        $aside = (2 * $chance(1) - 1) * $tip->scatter * $size;
        $ahead = ((2 * $chance(2) - 1) * $tip->scatter * $size) / 2;
        $angle = ($tip->along ? $direction : 0.0) + deg2rad($tip->angle) + (2 * $chance(3) - 1) * M_PI * $tip->turn;

        return [
            $x - sin($direction) * $aside + cos($direction) * $ahead,
            $y + cos($direction) * $aside + sin($direction) * $ahead,
            $radius,
            $angle,
            $tip->flow * $tip->flowBy->at($pressure),
            $tip->opacityBy->at($pressure),
        ];
    }

    /** @param  list<float>  $picture */
    private function lay(
        array $picture,
        float $x,
        float $y,
        float $radius,
        float $angle,
        float $flow,
        float $ceiling,
    ): void {
        if ($radius < 0.4) {
            return;
        }
        $here = Rect::bounds(
            (int) floor($x - $radius),
            (int) floor($y - $radius),
            (int) ceil($x + $radius),
            (int) ceil($y + $radius),
        )->intersect($this->page);
        $this->work += $here->width * $here->height;
        if ($this->work > self::MOST_WORK) {
            throw new \RangeException(
                'This stroke lays too many marks of so large a brush. Lift the pen once in a while.',
            );
        }
        for ($row = $here->y >> 8; ! $here->isEmpty() && $row <= ($here->bottom() - 1) >> 8; $row++) {
            for ($column = $here->x >> 8; $column <= ($here->right() - 1) >> 8; $column++) {
                $key = "$column,$row";
                $this->tiles[$key] ??= array_fill(0, TileGrid::PIXELS, 0.0);
                $this->layOn(
                    $this->tiles[$key],
                    $column * TileGrid::SIZE,
                    $row * TileGrid::SIZE,
                    $here,
                    $picture,
                    $x,
                    $y,
                    $radius,
                    $angle,
                    $flow,
                    $ceiling,
                );
            }
        }
    }

    /**
     * @param  array<int, float>  $tile
     * @param  list<float>  $picture
     */
    private function layOn(
        array &$tile,
        int $left,
        int $top,
        Rect $here,
        array $picture,
        float $x,
        float $y,
        float $radius,
        float $angle,
        float $flow,
        float $ceiling,
    ): void {
        $side = TipPicture::SIDE;
        // Places of the picture to a pixel.
        $scale = $side / 2 / $radius;
        [$sin, $cos] = [sin($angle) * $scale, cos($angle) * $scale];
        $middle = $side / 2 - 0.5;
        $from = max($left, $here->x);
        $until = min($left + TileGrid::SIZE, $here->right());
        for ($py = max($top, $here->y), $bottom = min($top + TileGrid::SIZE, $here->bottom()); $py < $bottom; $py++) {
            $dy = $py + 0.5 - $y;
            $at = ($py - $top) * TileGrid::SIZE + $from - $left;
            for ($px = $from; $px < $until; $px++, $at++) {
                $dx = $px + 0.5 - $x;
                $u = $cos * $dx + $sin * $dy + $middle;
                $v = $cos * $dy - $sin * $dx + $middle;
                if ($u < 0 || $v < 0 || $u >= $side - 1 || $v >= $side - 1) {
                    continue;
                }
                $missing = $ceiling - $tile[$at];
                if ($missing <= 0) {
                    continue;
                }
                $column = (int) $u;
                $row = (int) $v;
                $right = $u - $column;
                $place = $row * $side + $column;
                $above = $picture[$place] + ($picture[$place + 1] - $picture[$place]) * $right;
                $below = $picture[$place + $side] + ($picture[$place + $side + 1] - $picture[$place + $side]) * $right;
                $tile[$at] += $missing * $flow * ($above + ($below - $above) * ($v - $row));
            }
        }
    }

    private function joined(Rect $where): string
    {
        [$left, $top] = [$where->x >> 8, $where->y >> 8];
        $grid = new TileGrid($where->right() - $left * TileGrid::SIZE, $where->bottom() - $top * TileGrid::SIZE);
        $strings = [];
        foreach ($this->tiles as $key => $tile) {
            $bytes = '';
            foreach ($tile as $covered) {
                $bytes .= $covered > 0 ? chr((int) (255 * $this->dried($covered) + 0.5)) : "\0";
            }
            $strings[$key] = $bytes;
        }
        $data = $grid->join(
            fn (int $column, int $row): ?string => $strings[$left + $column.','.($top + $row)] ?? null,
        );
        $here = new Rect(
            $where->x - $left * TileGrid::SIZE,
            $where->y - $top * TileGrid::SIZE,
            $where->width,
            $where->height,
        );

        return Bytes::crop($data, $grid->width, $grid->height, $here, 1);
    }

    /** Wet paint runs to the edge: where most of it was laid it dries paler. */
    private function dried(float $covered): float
    {
        $part = max(0.0, min(1.0, ($covered - 0.35) / 0.5));

        return $covered * (1 - $this->tip->wet * self::DRIED * $part * $part * (3 - 2 * $part));
    }
}
