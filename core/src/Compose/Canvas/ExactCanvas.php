<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Canvas;

use Awning\Core\Colour\Alteration;
use Awning\Core\Compose\Blend\Blending;
use Awning\Core\Compose\Blend\Operator;
use Awning\Core\Compose\SoftEdges;
use Awning\Core\Page\Pass\BlendMode;
use Awning\Core\Raster\BoxBlur;

/**
 * A picture in floating point, opaque or not: the recommendation's formulas as they stand (section 5 of W3C Compositing
 * and Blending Level 1), rounded once, at the end. Colours are not premultiplied, and run from 0 to 1 like alpha.
 */
final class ExactCanvas implements Canvas
{
    private int $count;

    private FloatPlanes $colours;

    /** @var ?array<int, float> null while every pixel is opaque */
    private ?array $alpha;

    public function __construct(Pixels $pixels)
    {
        $this->count = $pixels->count;
        $this->colours = FloatPlanes::of($pixels);
        $this->alpha = $pixels->alpha === null ? null : FloatPlanes::unit($pixels->alpha);
    }

    public function pixels(): Pixels
    {
        [$red, $green, $blue] = array_map(FloatPlanes::bytes(...), $this->colours->planes);

        return (new Pixels(
            $this->count,
            $red,
            $green,
            $blue,
            $this->alpha === null ? null : FloatPlanes::bytes($this->alpha),
        ))->normalised();
    }

    /** Some pixels of it. */
    public function gathered(Areas $areas): self
    {
        $part = clone $this;
        $part->colours->planes = array_map($areas->pick(...), $this->colours->planes);
        $part->alpha = $this->alpha === null ? null : $areas->pick($this->alpha);
        $part->count = $areas->count;

        return $part;
    }

    /** The same picture, blurred; its pixels are a rectangle, row after row. */
    public function blurred(BoxBlur $blur, int $width, int $height): self
    {
        $soft = clone $this;
        $soft->colours->planes = array_map(
            fn (array $plane): array => $blur->of($plane, $width, $height),
            $this->colours->planes,
        );

        return $soft;
    }

    /**
     * What of the same picture is bright, as FloatPlanes::keepBright() leaves it.
     *
     * @param  float  $threshold  0..0.99
     */
    public function bright(float $threshold): self
    {
        $bright = clone $this;
        $bright->colours->keepBright($threshold);

        return $bright;
    }

    /**
     * The same picture, each pixel taken from elsewhere, as FloatPlanes::move() takes it.
     *
     * @param  list<float>  $columns
     * @param  list<float>  $rows
     */
    public function moved(array $columns, array $rows, int $width, int $height): self
    {
        $moved = clone $this;
        $moved->colours->move($columns, $rows, $width, $height);

        return $moved;
    }

    /**
     * Some of its pixels mixed with others, in sixteenths.
     *
     * @param  string  $shares  of these pixels, one byte each: how much of the others
     */
    public function mixIn(Areas $areas, self $others, string $shares): void
    {
        foreach ($areas->places() as $k => $i) {
            $share = ord($shares[$k]) / SoftEdges::WHOLE;
            foreach ($others->colours->planes as $channel => $plane) {
                $was = $this->colours->planes[$channel][$i];
                $this->colours->planes[$channel][$i] = $was + ($plane[$k] - $was) * $share;
            }
        }
    }

    public function cover(array $spans): void
    {
        foreach (self::byColour($spans) as $colour => $stretches) {
            $this->fill($stretches, self::parts($colour));
        }
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $replaces = $mode === BlendMode::Normal && $opacity >= 1;
        foreach (self::byColour($spans) as $colour => $stretches) {
            $parts = self::parts($colour);
            [$full, $soft] = self::touched($coverage, $stretches, $replaces);
            $this->fill($full, $parts);
            if ($this->alpha !== null || ! $this->colours->lay($soft, $coverage, $opacity / 255, $mode, $parts)) {
                $this->mixColour($soft, $coverage, $opacity / 255, $mode, $parts);
            }
        }
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $alphas = $source->alphas();
        [, $stretches] = self::touched($alphas, [[0, $this->count]], false);
        if ($this->alpha === null && $mode === BlendMode::Normal) {
            $this->colours->layPixels($stretches, $source, $alphas, $opacity / 255);
        } else {
            $this->mixPixels($stretches, $source, $alphas, $opacity / 255, $mode);
        }
    }

    public function alter(string $coverage, Alteration $alteration, BlendMode $mode, float $opacity): void
    {
        [, $stretches] = self::touched($coverage, [[0, $this->count]], false);
        if ($this->alpha === null && $mode === BlendMode::Normal) {
            $altered = $alteration->within($this->colours->planes, $stretches);
            $this->colours->mixPlanes($stretches, $altered, $coverage, $opacity / 255);

            return;
        }
        $planes = &$this->colours->planes;
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                if (($this->alpha[$i] ?? 1.0) <= 0) {
                    continue;
                }
                $was = [$planes[0][$i], $planes[1][$i], $planes[2][$i]];
                $altered = $alteration->of($was);
                $blended = match (true) {
                    $mode === BlendMode::Normal => $altered,
                    $mode === BlendMode::PlusLighter => array_map(
                        fn (float $b, float $s): float => min(1.0, $b + $s),
                        $was,
                        $altered,
                    ),
                    default => Blending::blend($mode, $was, $altered),
                };
                $share = (ord($coverage[$i]) * $opacity) / 255;
                foreach ($blended as $channel => $value) {
                    $planes[$channel][$i] =
                        $share >= 1.0 ? $value : $was[$channel] + ($value - $was[$channel]) * $share;
                }
            }
        }
    }

    public function group(callable $layers, bool $isolated, BlendMode $mode, float $opacity): void
    {
        if ($isolated) {
            $inside = new self(Pixels::clear($this->count));
            $layers($inside);
            $this->lay($inside, null, $mode, $opacity);

            return;
        }
        $before = clone $this;
        $layers($this);
        if ($opacity < 1) {
            $this->fade($before, $opacity);
        }
    }

    public function through(string $mask, int $colour, callable $layers, BlendMode $mode): void
    {
        $inside = new self(Pixels::solid($this->count, $colour));
        $layers($inside);
        $this->lay($inside, $mask, $mode, 1.0);
    }

    public function __clone()
    {
        $this->colours = clone $this->colours;
    }

    /** Another picture laid over this one. */
    public function lay(self $source, ?string $mask, BlendMode $mode, float $opacity): void
    {
        $theirs = $source->colours;
        for ($i = 0; $i < $this->count; $i++) {
            $alpha = ($source->alpha[$i] ?? 1.0) * $opacity * ($mask === null ? 1.0 : ord($mask[$i]) / 255);
            if ($alpha > 0) {
                $this->mix($i, $theirs->planes[0][$i], $theirs->planes[1][$i], $theirs->planes[2][$i], $alpha, $mode);
            }
        }
    }

    /** One of the operators that change where the picture is. The source counts over the whole stretch. */
    public function operate(self $source, Operator $operator, float $opacity): void
    {
        $under = $this->alpha ?? array_fill(0, $this->count, 1.0);
        for ($i = 0; $i < $this->count; $i++) {
            $a = ($source->alpha[$i] ?? 1.0) * $opacity;
            $b = $under[$i];
            // How much of the backdrop's colour stays: all of it but where the source's takes its place.
            $keep = match ($operator) {
                Operator::SourceAtop => 1 - $a,
                Operator::DestinationAtop => $b,
                Operator::DestinationIn, Operator::DestinationOut => 1.0,
            };
            foreach ($source->colours->planes as $channel => $plane) {
                $this->colours->planes[$channel][$i] =
                    $this->colours->planes[$channel][$i] * $keep + $plane[$i] * (1 - $keep);
            }
            $under[$i] = match ($operator) {
                Operator::SourceAtop => $b,
                Operator::DestinationIn => $a * $b,
                Operator::DestinationOut => $b * (1 - $a),
                Operator::DestinationAtop => $a,
            };
        }
        $this->alpha = $under;
    }

    /**
     * @param  list<array{int, int, int}>  $spans
     * @return array<int, list<array{int, int}>> by colour: first pixel, pixel after the last
     */
    private static function byColour(array $spans): array
    {
        $stretches = [];
        foreach ($spans as [$from, $to, $colour]) {
            $stretches[$colour][] = [$from, $to];
        }

        return $stretches;
    }

    /**
     * What of some stretches a coverage touches.
     *
     * @param  list<array{int, int}>  $stretches
     * @param  bool  $tellFull  whether full coverage is told apart
     * @return array{list<array{int, int}>, list<array{int, int}>} where it is full, and the rest that is not empty
     */
    private static function touched(string $coverage, array $stretches, bool $tellFull): array
    {
        $touched = [[], []];
        $ends = $tellFull ? "\0\xff" : "\0";
        foreach ($stretches as [$from, $to]) {
            for ($at = $from; ($at += strspn($coverage, "\0", $at, $to - $at)) < $to; $at = $end) {
                $full = $tellFull && $coverage[$at] === "\xff";
                $end =
                    $at +
                    ($full ? strspn($coverage, "\xff", $at, $to - $at) : strcspn($coverage, $ends, $at, $to - $at));
                $touched[$full ? 0 : 1][] = [$at, $end];
            }
        }

        return $touched;
    }

    /**
     * @param  list<array{int, int}>  $stretches
     * @param  array{float, float, float}  $colour
     */
    private function fill(array $stretches, array $colour): void
    {
        $this->colours->fill($stretches, $colour);
        if ($this->alpha !== null) {
            foreach ($stretches as [$from, $to]) {
                for ($i = $from; $i < $to; $i++) {
                    $this->alpha[$i] = 1.0;
                }
            }
        }
    }

    /**
     * @param  list<array{int, int}>  $stretches
     * @param  array{float, float, float}  $colour
     */
    private function mixColour(array $stretches, string $coverage, float $scale, BlendMode $mode, array $colour): void
    {
        [$r, $g, $b] = $colour;
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $this->mix($i, $r, $g, $b, ord($coverage[$i]) * $scale, $mode);
            }
        }
    }

    /** @param  list<array{int, int}>  $stretches */
    private function mixPixels(array $stretches, Pixels $source, string $alphas, float $scale, BlendMode $mode): void
    {
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $this->mix(
                    $i,
                    ord($source->red[$i]) / 255,
                    ord($source->green[$i]) / 255,
                    ord($source->blue[$i]) / 255,
                    ord($alphas[$i]) * $scale,
                    $mode,
                );
            }
        }
    }

    /** One pixel of source over one of this picture. */
    private function mix(int $i, float $r, float $g, float $b, float $as, BlendMode $mode): void
    {
        $ab = $this->alpha === null ? 1.0 : $this->alpha[$i];
        $planes = &$this->colours->planes;
        $rb = $planes[0][$i];
        $gb = $planes[1][$i];
        $bb = $planes[2][$i];
        if ($mode === BlendMode::PlusLighter) {
            $ao = min(1.0, $as + $ab);
            $planes[0][$i] = min(1.0, $as * $r + $ab * $rb) / $ao;
            $planes[1][$i] = min(1.0, $as * $g + $ab * $gb) / $ao;
            $planes[2][$i] = min(1.0, $as * $b + $ab * $bb) / $ao;
        } else {
            if ($mode !== BlendMode::Normal && $ab > 0) {
                if ($mode === BlendMode::Multiply) {
                    [$br, $bg, $bl] = [$r * $rb, $g * $gb, $b * $bb];
                } elseif ($mode->isSeparable()) {
                    [$br, $bg, $bl] = [
                        Blending::channel($mode, $rb, $r),
                        Blending::channel($mode, $gb, $g),
                        Blending::channel($mode, $bb, $b),
                    ];
                } else {
                    [$br, $bg, $bl] = Blending::blend($mode, [$rb, $gb, $bb], [$r, $g, $b]);
                }
                $r += ($br - $r) * $ab;
                $g += ($bg - $g) * $ab;
                $b += ($bl - $b) * $ab;
            }
            $ao = $as + $ab - $as * $ab;
            // What the source's share of the result is; the rest is the backdrop's.
            $share = $ab >= 1.0 ? $as : $as / $ao;
            // Taken as it is where it covers all: a grey must stay a grey to the last bit, or saturation makes a colour
            // of it.
            $planes[0][$i] = $share >= 1.0 ? $r : $rb + ($r - $rb) * $share;
            $planes[1][$i] = $share >= 1.0 ? $g : $gb + ($g - $gb) * $share;
            $planes[2][$i] = $share >= 1.0 ? $b : $bb + ($b - $bb) * $share;
        }
        if ($this->alpha !== null) {
            $this->alpha[$i] = $ao;
        }
    }

    /** Part of the way from how it was to how it is, mixed premultiplied. */
    private function fade(self $before, float $share): void
    {
        for ($i = 0; $i < $this->count; $i++) {
            $a = ($before->alpha[$i] ?? 1.0) * (1 - $share);
            $b = ($this->alpha[$i] ?? 1.0) * $share;
            $sum = $a + $b;
            if ($sum > 0) {
                foreach ($before->colours->planes as $channel => $plane) {
                    $this->colours->planes[$channel][$i] =
                        ($plane[$i] * $a + $this->colours->planes[$channel][$i] * $b) / $sum;
                }
            }
            if ($this->alpha !== null) {
                $this->alpha[$i] = $sum;
            }
        }
    }

    /** @return array{float, float, float} */
    private static function parts(int $colour): array
    {
        return [(($colour >> 16) & 255) / 255, (($colour >> 8) & 255) / 255, ($colour & 255) / 255];
    }
}
