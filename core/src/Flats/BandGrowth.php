<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\OneWorker;
use Awning\Core\Raster\Workers;

/**
 * Grows the labels of a large page in bands of rows that several workers share. What a pixel becomes depends on no more
 * rows about it than it takes rounds to come there, so a band that reaches further into its neighbours than it took
 * rounds is what it would be in the whole. Where black is so thick that it took more, all is done at once.
 */
final readonly class BandGrowth
{
    private const BANDS = 4;

    /** Rows by which a band reaches into each neighbour: twice the half of a very broad line. */
    private const REACH = 48;

    /** Pixels of a page that is worth it. */
    private const LARGE = 4_000_000;

    public function __construct(
        private Workers $workers = new OneWorker,
        private int $large = self::LARGE,
        private int $reach = self::REACH,
    ) {
    }

    /**
     * @param  string  $labels  two bytes a pixel; 0 is none
     * @param  string  $open  255 where a pixel still needs a label, 0 where one grows from; one byte a pixel
     * @return string the labels, grown over all that is open
     */
    public function grow(string $labels, string $open, int $width, int $height): string
    {
        if ($width * $height < $this->large || $height < self::BANDS * $this->reach) {
            return self::whole($labels, $open, $width, $height);
        }
        $tops = array_map(fn (int $band): int => intdiv($band * $height, self::BANDS), range(0, self::BANDS));
        $grown = $this->workers->each(
            range(0, self::BANDS - 1),
            fn (int $band): string => $this->band($labels, $open, $width, $height, $tops[$band], $tops[$band + 1]),
        );

        return in_array('', $grown, true) ? self::whole($labels, $open, $width, $height) : implode('', $grown);
    }

    private static function whole(string $labels, string $open, int $width, int $height): string
    {
        (new TrapGrowth)->grow($labels, $open, $width, $height);

        return $labels;
    }

    /** @return string the labels of its rows; empty when these need more of the page to be told */
    private function band(string $labels, string $open, int $width, int $height, int $top, int $bottom): string
    {
        $from = max(0, $top - $this->reach);
        $rows = min($height, $bottom + $this->reach) - $from;
        $mine = substr($labels, 2 * $from * $width, 2 * $rows * $width);
        $openHere = substr($open, $from * $width, $rows * $width);
        $rounds = (new TrapGrowth)->grow($mine, $openHere, $width, $rows);
        $isTold = $rounds < $this->reach && ($rounds > 0 || ! str_contains($openHere, "\xff"));

        return $isTold ? substr($mine, 2 * ($top - $from) * $width, 2 * ($bottom - $top) * $width) : '';
    }
}
