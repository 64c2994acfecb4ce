<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Regions;

use Awning\Core\Flats\TrapGrowth;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Bridge;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Sheet\OpRefused;
use Awning\Core\Sheet\Painting\FreePixels;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;

/**
 * Parts and joins regions where one bridge comes or goes, without looking at the rest of the page: floods from all
 * sides of the bridge go on by turns, until they have met or all but one have come to their end. The cost is that of
 * the smaller part.
 */
final readonly class Repartition
{
    /** Parts of fewer pixels are none. */
    private const CRUMB = 12;

    /** How far beyond a part the lines round it reach, px. */
    private const LINES = 24;

    /** Stretches a flood comes to before it is another one's turn. */
    private const TURN = 32;

    private LayerWindow $labels;

    public function __construct(private Sheet $sheet)
    {
        $this->labels = new LayerWindow($sheet, LayerName::flats());
    }

    /**
     * A bridge that is among the records by now parts what lies on both sides of it.
     *
     * @throws OpRefused when there are no more numbers for regions
     */
    public function close(Bridge $bridge): void
    {
        $sides = [];
        foreach ($bridge->pixels() as [$x, $y]) {
            foreach ([[$x - 1, $y], [$x + 1, $y], [$x, $y - 1], [$x, $y + 1]] as [$besideX, $besideY]) {
                $label = $this->sheet->labelAt($besideX, $besideY);
                if ($label > 0) {
                    $sides[$label][] = [$besideX, $besideY];
                }
            }
        }
        foreach ($sides as $label => $places) {
            $this->part($label, $places);
        }
    }

    /** @param  non-empty-list<array{int, int}>  $places  of the region, beside the bridge */
    private function part(int $label, array $places): void
    {
        $region = $this->sheet->find(Region::class, $label);
        if ($region === null) {
            return;
        }
        $pixels = new FreePixels($this->sheet, $label);
        [$ended, $rest] = $this->flood($pixels, $places);
        foreach ($ended as $flood) {
            if ($flood->area >= self::CRUMB) {
                $region = $this->cutOff($label, $region, $flood);
            }
        }
        if (
            $ended !== [] &&
            $rest !== null &&
            $pixels->at($region->x, $region->y) >= FreePixels::FIRST &&
            ! $this->isAmong($region, $rest)
        ) {
            [$x, $y] = $rest->place();
            $region = $region->reaching($region->area, $x, $y);
        }
        $this->sheet->put($label, $region);
    }

    private function isAmong(Region $region, Flood $flood): bool
    {
        foreach ($flood->stretches as [$y, $from, $to]) {
            if ($y === $region->y && $region->x >= $from && $region->x < $to) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  non-empty-list<array{int, int}>  $places
     * @return array{list<Flood>, ?Flood} those that came to an end by themselves, and one of what is left; the first
     *     are none when all met
     */
    private function flood(FreePixels $pixels, array $places): array
    {
        /** @var array<int, Flood> $floods by number */
        $floods = [];
        $one = [];
        foreach ($places as [$x, $y]) {
            if ($pixels->at($x, $y) === 1) {
                $number = FreePixels::FIRST + count($floods);
                if ($number > 255) {
                    break;
                }
                $floods[$number] = new Flood($pixels, $number, $x, $y);
                $one[$number] = $number;
                // The first stretch at once: places beside each other are one flood.
                $this->meet($one, $number, $floods[$number]->step());
            }
        }
        do {
            $going = [];
            foreach ($floods as $number => $flood) {
                for ($turn = 0; $turn < self::TURN && ! $flood->isDone(); $turn++) {
                    $this->meet($one, $number, $flood->step());
                }
                if (! $flood->isDone()) {
                    $going[self::rootOf($one, $number)] = true;
                }
            }
        } while (count($going) > 1);
        $ended = [];
        $rest = null;
        foreach ($floods as $number => $flood) {
            $root = self::rootOf($one, $number);
            if (isset($going[$root])) {
                $rest ??= $flood;
            } else {
                $ended[$root][] = $flood;
            }
        }
        // All came to an end: the largest keeps what the region was.
        $ended = array_map(self::together(...), array_values($ended));
        usort($ended, fn (Flood $a, Flood $b): int => $a->area <=> $b->area);
        $rest ??= array_pop($ended);

        return [$ended, $rest];
    }

    /**
     * @param  array<int, int>  $one  of each flood one it is the same as
     * @param  list<int>  $met
     */
    private function meet(array &$one, int $number, array $met): void
    {
        foreach ($met as $other) {
            [$a, $b] = [self::rootOf($one, $number), self::rootOf($one, $other)];
            $one[max($a, $b)] = min($a, $b);
        }
    }

    /** @param  array<int, int>  $one */
    private static function rootOf(array $one, int $number): int
    {
        while ($one[$number] !== $number) {
            $number = $one[$number];
        }

        return $number;
    }

    /** @param  non-empty-list<Flood>  $floods */
    private static function together(array $floods): Flood
    {
        $first = $floods[0];
        foreach (array_slice($floods, 1) as $flood) {
            array_push($first->stretches, ...$flood->stretches);
            $first->area += $flood->area;
        }

        return $first;
    }

    /** A part becomes a region of its own, filled as before; gives back what is left. */
    private function cutOff(int $label, Region $region, Flood $part): Region
    {
        $new = $this->sheet->freeLabel();
        [$x, $y] = $part->place();
        $this->sheet->put($new, $region->reaching($part->area, $x, $y));
        $this->paint($label, $new, $part);

        return $region->reaching(max(0, $region->area - $part->area), $region->x, $region->y);
    }

    /** Gives the part's pixels their new label, and its half of the lines round it. */
    private function paint(int $old, int $new, Flood $part): void
    {
        $window = $this->window($part);
        $lines = str_split($this->labels->read($window), max(1, 2 * $window->width));
        $free = new FreePixels($this->sheet, $old);
        $open = '';
        foreach ($lines as $y => $line) {
            // The old label's ink is open; what others have is a wall.
            $row = '';
            foreach (Labels::spans($line) as [$from, $to, $label]) {
                $row .= str_repeat($label === $old ? "\xff" : "\1", $to - $from);
            }
            $stretches = $free->stretches($window->x, $window->right(), $window->y + $y);
            foreach ($stretches as $i => [$x, $mark]) {
                $to = $stretches[$i + 1][0] ?? $window->right();
                $row = $mark === 0 ? $row : substr_replace($row, str_repeat("\0", $to - $x), $x - $window->x, $to - $x);
            }
            $open .= $row;
        }
        $word = pack('n', $new);
        foreach ($part->stretches as [$y, $from, $to]) {
            $lines[$y - $window->y] = substr_replace(
                $lines[$y - $window->y],
                str_repeat($word, $to - $from),
                2 * ($from - $window->x),
                2 * ($to - $from),
            );
        }
        $labels = implode('', $lines);
        (new TrapGrowth)->grow($labels, $open, $window->width, $window->height);
        $this->labels->write($window, $labels);
    }

    private function window(Flood $part): Rect
    {
        [$left, $top, $right, $bottom] = [PHP_INT_MAX, PHP_INT_MAX, 0, 0];
        foreach ($part->stretches as [$y, $from, $to]) {
            [$left, $top, $right, $bottom] = [min($left, $from), min($top, $y), max($right, $to), max($bottom, $y + 1)];
        }

        return Rect::bounds(
            $left - self::LINES,
            $top - self::LINES,
            $right + self::LINES,
            $bottom + self::LINES,
        )->intersect($this->sheet->rect());
    }

    /** A bridge that is no longer made joins what it parted: the largest region takes the others in. */
    public function open(Bridge $bridge): void
    {
        $beside = [];
        foreach ($bridge->pixels() as [$x, $y]) {
            foreach ([[$x, $y], [$x - 1, $y], [$x + 1, $y], [$x, $y - 1], [$x, $y + 1]] as [$atX, $atY]) {
                $label = $this->sheet->labelAt($atX, $atY);
                $pixels = $label > 0 ? $beside[$label][0] ?? new FreePixels($this->sheet, $label) : null;
                // Only what is free beside the bridge was parted by it; lines part the rest.
                if ($pixels !== null && $pixels->at($atX, $atY) === 1) {
                    $beside[$label] = [$pixels, $atX, $atY];
                }
            }
        }
        $regions = array_filter(
            array_map(
                fn (int $label): ?Region => $this->sheet->find(Region::class, $label),
                array_combine(array_keys($beside), array_keys($beside)),
            ),
        );
        if (count($regions) < 2) {
            return;
        }
        uasort($regions, fn (Region $a, Region $b): int => $b->area <=> $a->area);
        $into = (int) array_key_first($regions);
        $area = 0;
        foreach ($regions as $label => $region) {
            $area += $region->area;
            if ($label !== $into) {
                [$pixels, $x, $y] = $beside[$label];
                $flood = new Flood($pixels, FreePixels::FIRST, $x, $y);
                while (! $flood->isDone()) {
                    $flood->step();
                }
                // What hatching joined lies in pieces: then all of the page is gone through.
                $this->takeIn(
                    $label,
                    $into,
                    $region->area - $flood->area > self::CRUMB ? $this->sheet->rect() : $this->window($flood),
                );
                $this->sheet->remove(Region::class, $label);
            }
        }
        $kept = $regions[$into];
        $this->sheet->put($into, $kept->reaching($area, $kept->x, $kept->y));
    }

    /** Everything of a label in a window becomes another's, under the lines, too. */
    private function takeIn(int $label, int $into, Rect $window): void
    {
        $labels = '';
        $word = pack('n', $into);
        $before = $this->labels->read($window);
        foreach (Labels::spans($before) as [$from, $to, $here]) {
            $labels .=
                $here === $label ? str_repeat($word, $to - $from) : substr($before, 2 * $from, 2 * ($to - $from));
        }
        $this->labels->write($window, $labels);
    }
}
