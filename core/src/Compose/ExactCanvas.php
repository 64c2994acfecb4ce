<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

use Awning\Core\Page\BlendMode;

/**
 * A picture in floating point, opaque or not: the recommendation's formulas as they stand (section 5 of W3C Compositing
 * and Blending Level 1), rounded once, at the end. Colours are not premultiplied, and run from 0 to 1 like alpha.
 */
final class ExactCanvas implements Canvas
{
    private readonly int $count;

    /** @var array<int, float> */
    private array $red;

    /** @var array<int, float> */
    private array $green;

    /** @var array<int, float> */
    private array $blue;

    /** @var ?array<int, float> null while every pixel is opaque */
    private ?array $alpha;

    public function __construct(Pixels $pixels)
    {
        $this->count = $pixels->count;
        $this->red = self::unit($pixels->red);
        $this->green = self::unit($pixels->green);
        $this->blue = self::unit($pixels->blue);
        $this->alpha = $pixels->alpha === null ? null : self::unit($pixels->alpha);
    }

    public function pixels(): Pixels
    {
        return (new Pixels(
            $this->count, self::bytes($this->red), self::bytes($this->green), self::bytes($this->blue),
            $this->alpha === null ? null : self::bytes($this->alpha),
        ))->normalised();
    }

    public function cover(array $spans): void
    {
        foreach ($spans as [$from, $to, $colour]) {
            [$r, $g, $b] = self::parts($colour);
            for ($i = $from; $i < $to; $i++) {
                $this->red[$i] = $r;
                $this->green[$i] = $g;
                $this->blue[$i] = $b;
            }
            if ($this->alpha !== null) {
                for ($i = $from; $i < $to; $i++) {
                    $this->alpha[$i] = 1.0;
                }
            }
        }
    }

    public function tint(array $spans, string $coverage, BlendMode $mode, float $opacity): void
    {
        $scale = $opacity / 255;
        foreach ($spans as [$from, $to, $colour]) {
            [$r, $g, $b] = self::parts($colour);
            for ($i = $from; $i < $to; $i++) {
                $i += strspn($coverage, "\0", $i, $to - $i);
                if ($i < $to) {
                    $this->mix($i, $r, $g, $b, ord($coverage[$i]) * $scale, $mode);
                }
            }
        }
    }

    public function paint(Pixels $source, BlendMode $mode, float $opacity): void
    {
        $alpha = $source->alphas();
        $scale = $opacity / 255;
        for ($i = 0; $i < $this->count; $i++) {
            $i += strspn($alpha, "\0", $i);
            if ($i < $this->count) {
                $this->mix($i, ord($source->red[$i]) / 255, ord($source->green[$i]) / 255, ord($source->blue[$i]) / 255, ord($alpha[$i]) * $scale, $mode);
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

    public function through(string $mask, int $colour, callable $layers): void
    {
        $inside = new self(Pixels::solid($this->count, $colour));
        $layers($inside);
        $this->lay($inside, $mask, BlendMode::Normal, 1.0);
    }

    /** Another picture laid over this one. */
    public function lay(self $source, ?string $mask, BlendMode $mode, float $opacity): void
    {
        for ($i = 0; $i < $this->count; $i++) {
            $alpha = ($source->alpha[$i] ?? 1.0) * $opacity * ($mask === null ? 1.0 : ord($mask[$i]) / 255);
            if ($alpha > 0) {
                $this->mix($i, $source->red[$i], $source->green[$i], $source->blue[$i], $alpha, $mode);
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
            $this->red[$i] = $this->red[$i] * $keep + $source->red[$i] * (1 - $keep);
            $this->green[$i] = $this->green[$i] * $keep + $source->green[$i] * (1 - $keep);
            $this->blue[$i] = $this->blue[$i] * $keep + $source->blue[$i] * (1 - $keep);
            $under[$i] = match ($operator) {
                Operator::SourceAtop => $b,
                Operator::DestinationIn => $a * $b,
                Operator::DestinationOut => $b * (1 - $a),
                Operator::DestinationAtop => $a,
            };
        }
        $this->alpha = $under;
    }

    /** One pixel of source over one of this picture. */
    private function mix(int $i, float $r, float $g, float $b, float $as, BlendMode $mode): void
    {
        $ab = $this->alpha === null ? 1.0 : $this->alpha[$i];
        $rb = $this->red[$i];
        $gb = $this->green[$i];
        $bb = $this->blue[$i];
        if ($mode === BlendMode::PlusLighter) {
            $ao = min(1.0, $as + $ab);
            $this->red[$i] = min(1.0, $as * $r + $ab * $rb) / $ao;
            $this->green[$i] = min(1.0, $as * $g + $ab * $gb) / $ao;
            $this->blue[$i] = min(1.0, $as * $b + $ab * $bb) / $ao;
        } else {
            if ($mode !== BlendMode::Normal && $ab > 0) {
                if ($mode === BlendMode::Multiply) {
                    [$br, $bg, $bl] = [$r * $rb, $g * $gb, $b * $bb];
                } elseif ($mode->isSeparable()) {
                    [$br, $bg, $bl] = [Blending::channel($mode, $rb, $r), Blending::channel($mode, $gb, $g), Blending::channel($mode, $bb, $b)];
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
            // Taken as it is where it covers all: a grey must stay a grey to the last bit, or saturation makes a colour of it.
            $this->red[$i] = $share >= 1.0 ? $r : $rb + ($r - $rb) * $share;
            $this->green[$i] = $share >= 1.0 ? $g : $gb + ($g - $gb) * $share;
            $this->blue[$i] = $share >= 1.0 ? $b : $bb + ($b - $bb) * $share;
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
                $this->red[$i] = ($before->red[$i] * $a + $this->red[$i] * $b) / $sum;
                $this->green[$i] = ($before->green[$i] * $a + $this->green[$i] * $b) / $sum;
                $this->blue[$i] = ($before->blue[$i] * $a + $this->blue[$i] * $b) / $sum;
            }
            if ($this->alpha !== null) {
                $this->alpha[$i] = $sum;
            }
        }
    }

    /** @return array{float, float, float} */
    private static function parts(int $colour): array
    {
        return [($colour >> 16 & 255) / 255, ($colour >> 8 & 255) / 255, ($colour & 255) / 255];
    }

    /** @return array<int, float> */
    private static function unit(string $plane): array
    {
        $values = [];
        for ($i = 0, $count = strlen($plane); $i < $count; $i++) {
            $values[] = ord($plane[$i]) / 255;
        }

        return $values;
    }

    /** @param  array<int, float>  $values */
    private static function bytes(array $values): string
    {
        $plane = '';
        foreach ($values as $value) {
            $plane .= chr((int) (255 * $value + 0.5));
        }

        return $plane;
    }
}
