<?php

declare(strict_types=1);

namespace Awning\Core\Compose;

/** Lays pixels of any colour and alpha over pixels of any colour and alpha. */
final class Painting
{
    /** @var array<string, string> by mode: 65 536 bytes at source << 8 | backdrop */
    private array $pairs = [];

    /** Source over backdrop in a blend mode. */
    public function over(Pixels $backdrop, Pixels $source, BlendMode $mode, float $opacity): Pixels
    {
        $alpha = $source->alphas();
        $under = $backdrop->alpha;
        $in = [$backdrop->red, $backdrop->green, $backdrop->blue];
        $from = [$source->red, $source->green, $source->blue];
        $out = ['', '', '', ''];
        $count = $backdrop->count;
        for ($at = 0; $at < $count; $at = $end) {
            $end = $at + strspn($alpha, "\0", $at);
            if ($end > $at) {
                $this->copy($out, $in, $under, $at, $end);

                continue;
            }
            $full = $opacity >= 1.0 && $alpha[$at] === "\xff";
            $end = $at + ($full ? strspn($alpha, "\xff", $at) : strcspn($alpha, $opacity >= 1.0 ? "\0\xff" : "\0", $at));
            if ($full && $mode === BlendMode::Normal) {
                $this->copy($out, $from, null, $at, $end);
            } elseif ($under === null) {
                $this->mixOpaque($out, $in, $from, $alpha, $at, $end, $mode, $opacity);
            } else {
                $this->mix($out, $in, $from, $under, $alpha, $at, $end, $mode, $opacity);
            }
        }

        return (new Pixels($count, $out[0], $out[1], $out[2], $under === null ? null : $out[3]))->normalised();
    }

    /** One of the operators that change where the backdrop is. The source counts over the whole stretch. */
    public function operate(Pixels $backdrop, Pixels $source, Operator $operator, float $opacity): Pixels
    {
        if ($operator === Operator::SourceAtop) {
            $laid = $this->over(new Pixels($backdrop->count, $backdrop->red, $backdrop->green, $backdrop->blue, null), $source, BlendMode::Normal, $opacity);

            return new Pixels($backdrop->count, $laid->red, $laid->green, $laid->blue, $backdrop->alpha);
        }
        $under = $backdrop->alphas();
        $alpha = $source->alphas();
        $out = $under;
        [$red, $green, $blue] = [$backdrop->red, $backdrop->green, $backdrop->blue];
        for ($i = 0, $count = $backdrop->count; $i < $count; $i++) {
            $a = ord($alpha[$i]) * $opacity / 255;
            $b = ord($under[$i]) / 255;
            $out[$i] = chr((int) (255 * match ($operator) {
                Operator::DestinationIn => $a * $b,
                Operator::DestinationOut => $b * (1 - $a),
                Operator::DestinationAtop => $a,
            } + 0.5));
            if ($operator === Operator::DestinationAtop) {
                $red[$i] = chr((int) (ord($red[$i]) * $b + ord($source->red[$i]) * (1 - $b) + 0.5));
                $green[$i] = chr((int) (ord($green[$i]) * $b + ord($source->green[$i]) * (1 - $b) + 0.5));
                $blue[$i] = chr((int) (ord($blue[$i]) * $b + ord($source->blue[$i]) * (1 - $b) + 0.5));
            }
        }

        return (new Pixels($backdrop->count, $red, $green, $blue, $out))->normalised();
    }

    /**
     * Part of the way from one picture to another, as a group that is not isolated but has an opacity needs it. Mixed
     * premultiplied, which is what removing the backdrop and laying the rest at an opacity comes to.
     */
    public function between(Pixels $before, Pixels $after, float $share): Pixels
    {
        if ($before->alpha === null && $after->alpha === null) {
            return $this->over($before, $after, BlendMode::Normal, $share);
        }
        [$underAlpha, $overAlpha] = [$before->alphas(), $after->alphas()];
        [$red, $green, $blue, $out] = [$before->red, $before->green, $before->blue, $underAlpha];
        for ($i = 0, $count = $before->count; $i < $count; $i++) {
            $a = ord($underAlpha[$i]) * (1 - $share);
            $b = ord($overAlpha[$i]) * $share;
            $sum = $a + $b;
            if ($sum > 0) {
                $red[$i] = chr((int) ((ord($red[$i]) * $a + ord($after->red[$i]) * $b) / $sum + 0.5));
                $green[$i] = chr((int) ((ord($green[$i]) * $a + ord($after->green[$i]) * $b) / $sum + 0.5));
                $blue[$i] = chr((int) ((ord($blue[$i]) * $a + ord($after->blue[$i]) * $b) / $sum + 0.5));
            }
            $out[$i] = chr((int) ($sum + 0.5));
        }

        return (new Pixels($before->count, $red, $green, $blue, $out))->normalised();
    }

    /**
     * @param  array{string, string, string, string}  $out
     * @param  array{string, string, string}  $planes
     * @param  ?string  $alpha  null for opaque
     */
    private function copy(array &$out, array $planes, ?string $alpha, int $from, int $to): void
    {
        $length = $to - $from;
        $out[0] .= substr($planes[0], $from, $length);
        $out[1] .= substr($planes[1], $from, $length);
        $out[2] .= substr($planes[2], $from, $length);
        $out[3] .= $alpha === null ? str_repeat("\xff", $length) : substr($alpha, $from, $length);
    }

    /**
     * @param  array{string, string, string, string}  $out
     * @param  array{string, string, string}  $in
     * @param  array{string, string, string}  $from
     */
    private function mixOpaque(array &$out, array $in, array $from, string $alpha, int $start, int $end, BlendMode $mode, float $opacity): void
    {
        if (! $mode->isSeparable() || $mode === BlendMode::PlusLighter) {
            $this->mix($out, $in, $from, null, $alpha, $start, $end, $mode, $opacity);

            return;
        }
        $pair = $this->pair($mode);
        $scale = $opacity / 255;
        for ($channel = 0; $channel < 3; $channel++) {
            $plane = $in[$channel];
            $source = $from[$channel];
            $part = substr($plane, $start, $end - $start);
            for ($i = $start, $k = 0; $i < $end; $i++, $k++) {
                $b = ord($plane[$i]);
                $part[$k] = chr((int) ($b + (ord($pair[ord($source[$i]) << 8 | $b]) - $b) * ord($alpha[$i]) * $scale + 0.5));
            }
            $out[$channel] .= $part;
        }
        $out[3] .= str_repeat("\xff", $end - $start);
    }

    /**
     * The full formula of the recommendation, section 5.
     *
     * @param  array{string, string, string, string}  $out
     * @param  array{string, string, string}  $in
     * @param  array{string, string, string}  $from
     */
    private function mix(array &$out, array $in, array $from, ?string $under, string $alpha, int $start, int $end, BlendMode $mode, float $opacity): void
    {
        $pair = $mode->isSeparable() ? $this->pair($mode) : null;
        $plus = $mode === BlendMode::PlusLighter;
        for ($i = $start; $i < $end; $i++) {
            $as = ord($alpha[$i]) * $opacity / 255;
            $ab = $under === null ? 1.0 : ord($under[$i]) / 255;
            $source = [ord($from[0][$i]), ord($from[1][$i]), ord($from[2][$i])];
            $backdrop = [ord($in[0][$i]), ord($in[1][$i]), ord($in[2][$i])];
            $ao = $plus ? min(1.0, $as + $ab) : $as + $ab - $as * $ab;
            if ($ao <= 0) {
                $out[0] .= $in[0][$i];
                $out[1] .= $in[1][$i];
                $out[2] .= $in[2][$i];
                $out[3] .= "\0";

                continue;
            }
            if ($pair === null) {
                $blended = $mode->blend(
                    [$backdrop[0] / 255, $backdrop[1] / 255, $backdrop[2] / 255],
                    [$source[0] / 255, $source[1] / 255, $source[2] / 255],
                );
                $blended = [255 * $blended[0], 255 * $blended[1], 255 * $blended[2]];
            } else {
                $blended = [ord($pair[$source[0] << 8 | $backdrop[0]]), ord($pair[$source[1] << 8 | $backdrop[1]]), ord($pair[$source[2] << 8 | $backdrop[2]])];
            }
            for ($c = 0; $c < 3; $c++) {
                $value = $plus
                    ? min(255.0, $as * $source[$c] + $ab * $backdrop[$c])
                    : $as * (1 - $ab) * $source[$c] + $as * $ab * $blended[$c] + (1 - $as) * $ab * $backdrop[$c];
                $out[$c] .= chr((int) min(255, $value / $ao + 0.5));
            }
            $out[3] .= chr((int) (255 * $ao + 0.5));
        }
    }

    private function pair(BlendMode $mode): string
    {
        if (! isset($this->pairs[$mode->value])) {
            $table = '';
            for ($s = 0; $s < 256; $s++) {
                for ($b = 0; $b < 256; $b++) {
                    $table .= chr((int) (255 * $mode->channel($b / 255, $s / 255) + 0.5));
                }
            }
            $this->pairs[$mode->value] = $table;
        }

        return $this->pairs[$mode->value];
    }
}
