<?php

declare(strict_types=1);

namespace Awning\Core\Proof;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;

/** Pixels of one region that hang together. */
final readonly class LabelPiece
{
    /**
     * @param  int  $at  where one of its pixels is, in reading order
     * @param  int  $room  the same for all pieces one can go between without crossing ink
     */
    private function __construct(public int $label, public int $area, public int $at, public int $room)
    {
    }

    public function finding(string $words, int $width): Finding
    {
        return new Finding($words, [$this->label], $this->at % $width, intdiv($this->at, $width), $this->area);
    }

    /**
     * @param  list<self>  $pieces
     * @return array<int, self> of each label its largest
     */
    public static function largest(array $pieces): array
    {
        $largest = [];
        foreach ($pieces as $piece) {
            if ($piece->area > ($largest[$piece->label]->area ?? 0)) {
                $largest[$piece->label] = $piece;
            }
        }

        return $largest;
    }

    /**
     * @param  ?Plane  $ink  what is under it is of no piece
     * @return list<self> 8-connected
     */
    public static function in(Labels $labels, ?Plane $ink = null): array
    {
        $bounds = $ink === null ? null : $ink->mapped(Bytes::threshold(FlatsFinder::BOUND))->data;
        $piece = $room = $area = $label = $place = [];
        $above = [];
        for ($y = 0; $y < $labels->height; $y++) {
            $row = [];
            $next = 0;
            foreach (self::free($labels, $bounds, $y) as [$from, $to, $one]) {
                $run = count($piece);
                $piece[] = $room[] = $run;
                $area[] = $to - $from;
                $label[] = $one;
                $place[] = $y * $labels->width + ($from + $to >> 1);
                if ($row !== [] && $row[count($row) - 1][1] === $from) {
                    self::join($room, $run, $run - 1);
                }
                // Runs of the row above that end before this one are behind all that follow.
                while ($next < count($above) && $above[$next][1] < $from) {
                    $next++;
                }
                for ($i = $next; $i < count($above) && $above[$i][0] <= $to; $i++) {
                    $over = $above[$i][2];
                    if ($label[$over] === $one) {
                        self::join($piece, $run, $over);
                    }
                    if ($above[$i][0] < $to && $above[$i][1] > $from) {
                        self::join($room, $run, $over);
                    }
                }
                $row[] = [$from, $to, $run];
            }
            $above = $row;
        }
        $areas = [];
        foreach ($area as $run => $pixels) {
            $root = self::root($piece, $run);
            $areas[$root] = ($areas[$root] ?? 0) + $pixels;
        }
        $pieces = [];
        foreach ($areas as $root => $pixels) {
            $pieces[] = new self($label[$root], $pixels, $place[$root], self::root($room, $root));
        }

        return $pieces;
    }

    /**
     * @param  ?string  $bounds  a byte a pixel, 0 where there is no ink
     * @return list<array{int, int, int}> first column, column after the last, label
     */
    private static function free(Labels $labels, ?string $bounds, int $y): array
    {
        $spans = Labels::spans(substr($labels->data, 2 * $y * $labels->width, 2 * $labels->width));
        if ($bounds === null) {
            return $spans;
        }
        $free = [];
        $ink = substr($bounds, $y * $labels->width, $labels->width);
        foreach ($spans as [$from, $to, $label]) {
            while ($from < $to) {
                $from += strcspn($ink, "\0", $from, $to - $from);
                $end = $from + strspn($ink, "\0", $from, $to - $from);
                if ($end > $from) {
                    $free[] = [$from, $end, $label];
                }
                $from = $end;
            }
        }

        return $free;
    }

    /** @param  array<int, int>  $parent */
    private static function join(array &$parent, int $a, int $b): void
    {
        $parent[self::root($parent, $a)] = self::root($parent, $b);
    }

    /** @param  array<int, int>  $parent */
    private static function root(array &$parent, int $run): int
    {
        while ($parent[$run] !== $run) {
            $parent[$run] = $parent[$parent[$run]];
            $run = $parent[$run];
        }

        return $run;
    }
}
