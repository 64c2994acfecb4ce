<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Regions;

use Awning\Core\Sheet\Painting\FreePixels;

/** A flood of a region's free pixels from one place, that goes on a little whenever it is asked. */
final class Flood
{
    /** @var list<array{int, int}> places to go on at */
    private array $open;

    /** @var list<array{int, int, int}> row, first pixel and the one after the last of all it has come to */
    public array $stretches = [];

    public int $area = 0;

    public function __construct(private readonly FreePixels $pixels, private readonly int $number, int $x, int $y)
    {
        $this->open = [[$x, $y]];
    }

    public function isDone(): bool
    {
        return $this->open === [];
    }

    /**
     * One more stretch.
     *
     * @return list<int> numbers of other floods it met
     */
    public function step(): array
    {
        $place = array_pop($this->open);
        if ($place === null || $this->pixels->at(...$place) !== 1) {
            return [];
        }
        [$x, $y] = $place;
        [$from, $to] = $this->pixels->mark($x, $y, $this->number);
        $this->stretches[] = [$y, $from, $to];
        $this->area += $to - $from;
        $met = [];
        foreach ([[$from - 1, $y], [$to, $y]] as [$beside, $row]) {
            $this->meet($beside, $row, $this->pixels->at($beside, $row), $met);
        }
        foreach ([$y - 1, $y + 1] as $row) {
            foreach ($this->pixels->stretches($from, $to, $row) as [$at, $mark]) {
                $this->meet($at, $row, $mark, $met);
            }
        }

        return array_keys($met);
    }

    /** @param  array<int, true>  $met */
    private function meet(int $x, int $y, int $mark, array &$met): void
    {
        if ($mark === 1) {
            $this->open[] = [$x, $y];
        } elseif ($mark >= FreePixels::FIRST && $mark !== $this->number) {
            $met[$mark] = true;
        }
    }

    /** @return array{int, int} a place in the middle of its longest stretch */
    public function place(): array
    {
        $longest = [0, 0, 0];
        foreach ($this->stretches as $stretch) {
            if ($stretch[2] - $stretch[1] > $longest[2] - $longest[1]) {
                $longest = $stretch;
            }
        }

        return [intdiv($longest[1] + $longest[2], 2), $longest[0]];
    }
}
