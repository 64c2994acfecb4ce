<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

/**
 * Grows labels over the pixels that have none, under the ink and the bridges, one pixel a round and from all sides at
 * once, so that neighbours meet in the middle of the line. Rounds go to the four and the eight neighbours in turn,
 * which keeps distances within some per cent of round ones.
 */
final class TrapGrowth
{
    /**
     * @param  string  $labels  two bytes a pixel, changed in place; 0 is none
     * @param  string  $open  255 where a pixel still needs a label, 0 where one grows from, else neither; one byte a
     *     pixel
     * @param  int  $rounds  how far it grows at the most, px
     * @return int how far it grew, px; 0 when there was nothing to grow from, or over
     */
    public function grow(string &$labels, string $open, int $width, int $height, int $rounds = PHP_INT_MAX): int
    {
        // A margin that needs no label spares every look over the page's edge.
        $stride = $width + 2;
        $margin = str_repeat("\0", $stride);
        $open = $margin."\0".implode("\0\0", str_split($open, max(1, $width)))."\0".$margin;
        $front = [];
        $back = [];
        $size = strlen($open);
        for ($at = 0; ($at += strcspn($open, "\xff", $at)) < $size; $at++) {
            foreach ([$at - 1, $at + 1, $at - $stride, $at + $stride] as $near) {
                if ($open[$near] === "\0") {
                    $y = intdiv($near, $stride) - 1;
                    $x = $near - ($y + 1) * $stride - 1;
                    if ($x >= 0 && $x < $width && $y >= 0 && $y < $height) {
                        $from = 2 * ($y * $width + $x);
                        $to = 2 * ((intdiv($at, $stride) - 1) * $width + ($at % $stride) - 1);
                        $labels[$to] = $labels[$from];
                        $labels[$to + 1] = $labels[$from + 1];
                        $front[] = $at;
                        $back[] = $to;
                        break;
                    }
                }
            }
        }
        foreach ($front as $at) {
            $open[$at] = "\0";
        }
        $steps4 = [[1, 2], [-1, -2], [$stride, 2 * $width], [-$stride, -2 * $width]];
        $steps8 = [
            ...$steps4,
            [$stride + 1, 2 * $width + 2],
            [$stride - 1, 2 * $width - 2],
            [1 - $stride, 2 - 2 * $width],
            [-1 - $stride, -2 - 2 * $width],
        ];
        for ($round = 0; $front !== [] && ++$round < $rounds;) {
            $next = $nextBack = [];
            $steps = $round % 2 === 1 ? $steps8 : $steps4;
            foreach ($front as $i => $at) {
                $from = $back[$i];
                $high = $labels[$from];
                $low = $labels[$from + 1];
                foreach ($steps as [$step, $jump]) {
                    if ($open[$at + $step] === "\xff") {
                        $open[$at + $step] = "\0";
                        $to = $from + $jump;
                        $labels[$to] = $high;
                        $labels[$to + 1] = $low;
                        $next[] = $at + $step;
                        $nextBack[] = $to;
                    }
                }
            }
            $front = $next;
            $back = $nextBack;
        }

        return $round;
    }
}
