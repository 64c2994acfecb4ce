<?php

declare(strict_types=1);

namespace Awning\Core\Raster;

/**
 * The maximal horizontal runs of one byte value in a plane, in reading order. Positions are pixel numbers counted
 * through the whole plane (row x width + column), so that a run is one substr.
 */
final readonly class Runs
{
    /**
     * @param  list<int>  $from  first pixel of each run
     * @param  list<int>  $to  pixel after the last of each run
     * @param  list<int>  $row  number of the first run of each row, and of one row more
     */
    private function __construct(
        public int $width,
        public int $height,
        public array $from,
        public array $to,
        public array $row,
    ) {
    }

    /** @param  string  $value  one byte */
    public static function of(string $data, int $width, int $height, string $value): self
    {
        return self::ofMarks(
            strtr($data, Bytes::identity(), substr_replace(str_repeat("\0", 256), "\xff", ord($value), 1)),
            $width,
            $height,
            "\xff",
        );
    }

    /**
     * The same of a plane that holds nothing but 0 and 255: then either is found many bytes at a time.
     *
     * @param  string  $value  one byte, 0 or 255
     */
    public static function ofMarks(string $data, int $width, int $height, string $value): self
    {
        $from = $to = $row = [];
        $count = $end = $stop = 0;
        $other = ~$value;
        $start = strpos($data, $value);
        for ($y = 0; $y < $height; $y++) {
            $row[] = $count;
            $end += $width;
            while ($start !== false && $start < $end) {
                // What goes on over the end of a row is as long there as it was found to be.
                if ($stop <= $start) {
                    $stop = strpos($data, $other, $start);
                    $stop = $stop === false ? $width * $height : $stop;
                }
                $from[] = $start;
                $to[] = $stop < $end ? $stop : $end;
                $count++;
                $start = $stop > $end ? $end : strpos($data, $value, $stop);
            }
        }
        $row[] = $count;

        return new self($width, $height, $from, $to, $row);
    }

    public function count(): int
    {
        return count($this->from);
    }

    /** The middle of all run lengths when they are sorted, at $share of the way; 0 when there are none. */
    public function lengthAt(float $share): int
    {
        $lengths = [];
        // Every run of a large page need not be looked at to know how wide a line is.
        $step = max(1, intdiv(count($this->from), 20000));
        for ($i = 0, $n = count($this->from); $i < $n; $i += $step) {
            $lengths[] = $this->to[$i] - $this->from[$i];
        }
        sort($lengths);

        return $lengths === [] ? 0 : $lengths[(int) ($share * (count($lengths) - 1))];
    }
}
