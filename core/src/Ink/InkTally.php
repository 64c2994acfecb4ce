<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Histogram;

/** What was seen of a scan's dark pixels, with the paper divided out. */
final readonly class InkTally
{
    /**
     * @param  array<int, int>  $neutral  how many without a colour are how dark, 0..255
     * @param  array<string, array<int, int>>  $coloured  the same of those with one, by kind
     * @param  array<int, int>  $lightest  of those with a colour, how many are how dark in their lightest channel
     * @param  array{int, int, int}  $sums  the darkness of red, green and blue of all that have a colour
     */
    public function __construct(
        public array $neutral,
        public array $coloured,
        public array $lightest,
        public array $sums,
    ) {
    }

    public function count(): int
    {
        return array_sum($this->neutral) + array_sum(array_map(array_sum(...), $this->coloured));
    }

    /**
     * What four fifths of the pixels are not darker than: edges are lighter.
     *
     * @param  array<int, int>  $histogram
     */
    public static function usual(array $histogram): int
    {
        return Histogram::quantile($histogram, 0.8);
    }

    /** The channel in which coloured lines are the lightest. */
    public function clearest(): int
    {
        return (int) array_search(min($this->sums), $this->sums, true);
    }
}
