<?php

declare(strict_types=1);

namespace Awning\Core\Brush;

/**
 * Pulls paint along: the tip takes up what lies under it where the stroke begins, and at each step leaves some of what
 * it carries and takes up what is there. What lies outside the shape is neither taken up nor changed. The formula is
 * ours.
 */
final readonly class Puller
{
    /** Steps to a tip's width. */
    private const STEPS = 12;

    /** @var list<array{int, int, float}> pixels of the tip: right, down, how much it covers there, 0..1 */
    private array $tip;

    /** @param  float  $strength  how much of what it carries the tip leaves in a step, 0..1 */
    public function __construct(private float $size, float $hardness, private float $strength)
    {
        $this->tip = self::tip($size / 2, $hardness);
    }

    /**
     * @param  non-empty-list<array{float, float, float}>  $path  px of the window
     * @param  list<string>  $planes  what is there; of several the last one weighs the others, as alpha does colours
     * @param  string  $inside  255 where it may be pulled, 0 elsewhere
     * @return list<string>
     */
    public function pull(array $planes, string $inside, int $width, int $height, array $path): array
    {
        if (count($planes) === 1) {
            return [$this->pullCoverage($planes[0], $inside, $width, $height, $path)];
        }
        // One value a plane at each pixel of the tip; null: nothing taken up yet.
        $carried = array_fill(0, count($this->tip), null);
        foreach ($this->reached($path, $inside, $width, $height) as $i => $at) {
            /** @var list<string> $planes */
            $here = self::read($planes, $at);
            $before = $carried[$i];
            if ($before === null) {
                $carried[$i] = $here;

                continue;
            }
            $left = $keeps = [];
            foreach ($here as $plane => $value) {
                $by = ($before[$plane] - $value) * $this->strength;
                $left[] = $value + $by * $this->tip[$i][2];
                $keeps[] = $value + $by;
            }
            $carried[$i] = $keeps;
            foreach (self::bytes($left) as $plane => $byte) {
                $planes[$plane][$at] = $byte;
            }
        }

        /** @var list<string> $planes */
        return $planes;
    }

    /**
     * The same of one plane, which is most of what is painted, without a list for each pixel.
     *
     * @param  non-empty-list<array{float, float, float}>  $path
     */
    private function pullCoverage(string $plane, string $inside, int $width, int $height, array $path): string
    {
        $none = -1.0;
        $carried = array_fill(0, count($this->tip), $none);
        $strength = $this->strength;
        foreach ($this->reached($path, $inside, $width, $height) as $i => $at) {
            $value = ord($plane[$at]);
            if ($carried[$i] === $none) {
                $carried[$i] = (float) $value;

                continue;
            }
            $by = ($carried[$i] - $value) * $strength;
            $carried[$i] = $value + $by;
            $plane[$at] = chr((int) ($value + $by * $this->tip[$i][2] + 0.5));
        }

        return $plane;
    }

    /**
     * Pixels under the tip along the path that may be touched, in order; one comes again at each place.
     *
     * @param  non-empty-list<array{float, float, float}>  $path
     * @return \Generator<int, int> which pixel of the tip => where in the window
     */
    private function reached(array $path, string $inside, int $width, int $height): \Generator
    {
        foreach ($this->places($path) as [$x, $y]) {
            foreach ($this->tip as $i => [$right, $down]) {
                $px = $x + $right;
                $py = $y + $down;
                $at = $py * $width + $px;
                if ($px >= 0 && $py >= 0 && $px < $width && $py < $height && $inside[$at] !== "\0") {
                    yield $i => $at;
                }
            }
        }
    }

    /** @return float pixels that are looked at along so much of a path */
    public static function work(float $size, float $length): float
    {
        return (M_PI / 4) * $size * $size * (1 + $length / self::apart($size));
    }

    private static function apart(float $size): float
    {
        return max(1.0, $size / self::STEPS);
    }

    /**
     * Whole pixels along the path, evenly apart.
     *
     * @param  non-empty-list<array{float, float, float}>  $path
     * @return \Generator<array{int, int}>
     */
    private function places(array $path): \Generator
    {
        $apart = self::apart($this->size);
        [$x, $y] = $path[0];
        yield [(int) floor($x), (int) floor($y)];
        $left = $apart;
        foreach (array_slice($path, 1) as [$toX, $toY]) {
            $length = hypot($toX - $x, $toY - $y);
            for ($along = $left; $along <= $length; $along += $apart) {
                yield [
                    (int) floor($x + (($toX - $x) * $along) / $length),
                    (int) floor($y + (($toY - $y) * $along) / $length),
                ];
            }
            $left = $along - $length;
            [$x, $y] = [$toX, $toY];
        }
    }

    /** @return list<array{int, int, float}> */
    private static function tip(float $radius, float $hardness): array
    {
        $tip = [];
        $edge = max(1.0, $radius * (1 - $hardness));
        for ($y = (int) -ceil($radius); $y <= $radius; $y++) {
            for ($x = (int) -ceil($radius); $x <= $radius; $x++) {
                $share = min(1.0, ($radius + 0.5 - hypot($x, $y)) / $edge);
                if ($share > 0) {
                    $tip[] = [$x, $y, $share * $share * (3 - 2 * $share)];
                }
            }
        }

        return $tip;
    }

    /**
     * @param  array<int, string>  $planes
     * @return list<float> colours weighed by the alpha behind them
     */
    private static function read(array $planes, int $at): array
    {
        $weight = ord($planes[count($planes) - 1][$at]);
        $values = [];
        for ($i = 0; $i < count($planes) - 1; $i++) {
            $values[] = (ord($planes[$i][$at]) * $weight) / 255;
        }
        $values[] = (float) $weight;

        return $values;
    }

    /**
     * @param  list<float>  $values  colours weighed by the alpha behind them
     * @return list<string> a byte for each plane
     */
    private static function bytes(array $values): array
    {
        $weight = (float) array_pop($values);
        $bytes = array_map(
            fn (float $value): string => chr((int) ($weight > 0 ? min(255.0, (255 * $value) / $weight + 0.5) : 0)),
            $values,
        );

        return [...$bytes, chr((int) ($weight + 0.5))];
    }
}
