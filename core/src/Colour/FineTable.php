<?php

declare(strict_types=1);

namespace Awning\Core\Colour;

/**
 * A function of 0..1 at so many places that it may be interpolated between them: for whole pages, where working it out
 * for each pixel takes too long. Twice: over all of 0..1, and more finely over its beginning, where powers are steep.
 */
final readonly class FineTable
{
    /** Cells of either table; both have a value at each end of each. */
    public const CELLS = 4096;

    /** The share of 0..1 that the second table is about. */
    public const BEGINNING = 1 / 64;

    /** How far half-way between two places may be off: a quarter of a step of 8 bits. */
    private const OFF = 1 / 4 / 255;

    /**
     * @param  list<float>  $all  the value at i / CELLS, and one more beyond 1
     * @param  list<float>  $beginning  the value at i * BEGINNING / CELLS, and one more
     */
    private function __construct(public array $all, public array $beginning)
    {
    }

    /**
     * @param  callable(float): float  $at
     * @return ?self null: it is too steep somewhere
     */
    public static function of(callable $at): ?self
    {
        $all = self::over($at, 1.0, (int) (self::BEGINNING * self::CELLS));
        $beginning = self::over($at, self::BEGINNING, 0);

        return $all === null || $beginning === null ? null : new self($all, $beginning);
    }

    /**
     * Of a whole plane.
     *
     * @param  array<int, float>  $plane  0..1
     * @param  list<array{int, int}>  $stretches  of which pixels: first pixel, pixel after the last
     * @return array<int, float> the others as they were
     */
    public function ofPlane(array $plane, array $stretches): array
    {
        [$all, $beginning] = [$this->all, $this->beginning];
        foreach ($stretches as [$from, $to]) {
            for ($i = $from; $i < $to; $i++) {
                $value = $plane[$i];
                if ($value < self::BEGINNING) {
                    $at = $value * (self::CELLS / self::BEGINNING);
                    $k = (int) $at;
                    $plane[$i] = $beginning[$k] + ($at - $k) * ($beginning[$k + 1] - $beginning[$k]);
                } else {
                    $at = $value * self::CELLS;
                    $k = (int) $at;
                    $plane[$i] = $all[$k] + ($at - $k) * ($all[$k + 1] - $all[$k]);
                }
            }
        }

        return $plane;
    }

    /**
     * @param  callable(float): float  $at
     * @param  int  $from  the first cell that has to be near enough
     * @return ?list<float>
     */
    private static function over(callable $at, float $length, int $from): ?array
    {
        $values = [$at(0.0)];
        for ($i = 1; $i <= self::CELLS; $i++) {
            $values[] = $at(($i * $length) / self::CELLS);
            $middle = $at((($i - 0.5) * $length) / self::CELLS);
            if ($i > $from && abs($middle - ($values[$i - 1] + $values[$i]) / 2) > self::OFF) {
                return null;
            }
        }
        $values[] = $values[self::CELLS];

        return $values;
    }
}
