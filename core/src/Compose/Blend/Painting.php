<?php

declare(strict_types=1);

namespace Awning\Core\Compose\Blend;

use Awning\Core\Compose\Canvas\Pixels;
use Awning\Core\Page\Pass\BlendMode;

/** Lays pixels of any colour and alpha over an opaque picture, in whole numbers of 0..255. */
final class Painting
{
    /** @var array<string, list<float>> by mode: B(cb, cs) in 0..255, at source << 8 | backdrop */
    private array $pairs = [];

    /** @throws \LogicException for a mode that is not separable */
    public function over(Pixels $backdrop, Pixels $source, BlendMode $mode, float $opacity): Pixels
    {
        $alpha = $source->alphas();
        $in = [$backdrop->red, $backdrop->green, $backdrop->blue];
        $from = [$source->red, $source->green, $source->blue];
        $out = ['', '', ''];
        for ($at = 0, $count = $backdrop->count; $at < $count; $at = $end) {
            $end = $at + strspn($alpha, "\0", $at);
            if ($end > $at) {
                $this->copy($out, $in, $at, $end - $at);

                continue;
            }
            $full = $opacity >= 1.0 && $alpha[$at] === "\xff";
            $end =
                $at + ($full ? strspn($alpha, "\xff", $at) : strcspn($alpha, $opacity >= 1.0 ? "\0\xff" : "\0", $at));
            if ($full && $mode === BlendMode::Normal) {
                $this->copy($out, $from, $at, $end - $at);

                continue;
            }
            for ($channel = 0; $channel < 3; $channel++) {
                $out[$channel] .=
                    $mode === BlendMode::PlusLighter
                        ? $this->added($in[$channel], $from[$channel], $alpha, $at, $end, $opacity)
                        : $this->mixed($in[$channel], $from[$channel], $alpha, $at, $end, $this->pair($mode), $opacity);
            }
        }

        return new Pixels($count, $out[0], $out[1], $out[2], null);
    }

    /**
     * @param  array{string, string, string}  $out
     * @param  array{string, string, string}  $planes
     */
    private function copy(array &$out, array $planes, int $at, int $length): void
    {
        $out[0] .= substr($planes[0], $at, $length);
        $out[1] .= substr($planes[1], $at, $length);
        $out[2] .= substr($planes[2], $at, $length);
    }

    /** @param  list<float>  $pair */
    private function mixed(
        string $plane,
        string $source,
        string $alpha,
        int $from,
        int $to,
        array $pair,
        float $opacity,
    ): string {
        $scale = $opacity / 255;
        $part = substr($plane, $from, $to - $from);
        for ($i = $from, $k = 0; $i < $to; $i++, $k++) {
            $b = ord($plane[$i]);
            $part[$k] = chr((int) ($b + ($pair[(ord($source[$i]) << 8) | $b] - $b) * ord($alpha[$i]) * $scale + 0.5));
        }

        return $part;
    }

    /** plus-lighter over an opaque backdrop: the sum, held to full. */
    private function added(string $plane, string $source, string $alpha, int $from, int $to, float $opacity): string
    {
        $scale = $opacity / 255;
        $part = substr($plane, $from, $to - $from);
        for ($i = $from, $k = 0; $i < $to; $i++, $k++) {
            $part[$k] = chr((int) min(255, ord($plane[$i]) + ord($source[$i]) * ord($alpha[$i]) * $scale + 0.5));
        }

        return $part;
    }

    /** @return list<float> */
    private function pair(BlendMode $mode): array
    {
        if (! isset($this->pairs[$mode->value])) {
            $table = [];
            for ($s = 0; $s < 256; $s++) {
                for ($b = 0; $b < 256; $b++) {
                    $table[] = 255 * Blending::channel($mode, $b / 255, $s / 255);
                }
            }
            $this->pairs[$mode->value] = $table;
        }

        return $this->pairs[$mode->value];
    }
}
