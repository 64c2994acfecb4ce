<?php

declare(strict_types=1);

namespace Awning\Core\Flats;

use Awning\Core\Raster\Plane;

/**
 * Finds where somebody's flats lie under our line art: where the borders of their colours come to lie under ink. Sought
 * coarsely over an eighth of the page in every direction first, then finer.
 */
final readonly class FlatsAlignment
{
    /** Places on borders that are looked at. */
    private const PLACES = 1500;

    private const REACH = 0.125;

    /** A shift must find so many times the ink that no shift does: chance alone finds a little more. */
    private const SURE = 1.15;

    /** A picture so much of whose borders lies under ink is where it belongs. */
    private const LIES_WELL = 0.6;

    /** Px between places that are tried, from coarse to fine. */
    private const STEPS = [8, 4, 2, 1];

    /** @return array{int, int} px right and down their picture is moved; 0, 0 where nothing fits better */
    public function find(TakenFlats $theirs, Plane $ink): array
    {
        $places = $this->borders($theirs);
        if ($places === []) {
            return [0, 0];
        }
        $plane = $this->smeared($ink);
        $at = [0, 0];
        $reach = (int) (self::REACH * max($ink->width, $ink->height));
        $untouched = $this->inkUnder($places, $plane, 0, 0);
        if ($untouched >= self::LIES_WELL) {
            return $at;
        }
        foreach (self::STEPS as $step) {
            // Coarse steps would miss a thin line; the last ones want it as it is.
            $at = $this->best($places, $step > 2 ? $plane : $ink, $at, $reach, $step);
            $reach = 2 * $step;
        }

        return $this->inkUnder($places, $plane, ...$at) > self::SURE * $untouched ? $at : [0, 0];
    }

    /** @return list<array{int, int}> places where two of their colours meet, evenly taken from all */
    private function borders(TakenFlats $theirs): array
    {
        $found = [];
        $width = $theirs->width;
        for ($y = 1; $y < $theirs->height; $y++) {
            $row = substr($theirs->index, $y * $width, $width);
            // Upright borders show along every row, level ones between two.
            foreach ([
                substr($row, 1) ^ $row,
                $row ^ substr($theirs->index, ($y - 1) * $width, $width),
            ] as $isLevel => $change) {
                for (
                    $x = strspn($change, "\0") + ($isLevel === 1 ? $y % 7 : 0), $end = strlen($change) - 1;
                    $x < $end;
                    $x += $isLevel === 1 ? 7 : 1
                ) {
                    if ($change[$x] === "\0") {
                        $x += strspn($change, "\0", $x);
                    }
                    if ($x < $end) {
                        $found[] = [$x, $y];
                    }
                }
            }
        }
        $step = max(1, intdiv(count($found), self::PLACES));

        return array_values(array_filter($found, fn (int $i): bool => $i % $step === 0, ARRAY_FILTER_USE_KEY));
    }

    /** Ink spread a little sideways, so that a coarse step does not miss a thin line. */
    private function smeared(Plane $ink): Plane
    {
        $data = $ink->data;
        foreach ([1, 2] as $by) {
            $data |= str_repeat("\0", $by).substr($data, 0, -$by);
            $data |= substr($data, $by).str_repeat("\0", $by);
        }

        return new Plane($ink->width, $ink->height, $data);
    }

    /**
     * @param  list<array{int, int}>  $places
     * @param  array{int, int}  $round
     * @return array{int, int}
     */
    private function best(array $places, Plane $ink, array $round, int $reach, int $step): array
    {
        $under = [];
        $most = 0.0;
        for ($down = $round[1] - $reach; $down <= $round[1] + $reach; $down += $step) {
            for ($right = $round[0] - $reach; $right <= $round[0] + $reach; $right += $step) {
                $under["$right $down"] = $this->inkUnder($places, $ink, $right, $down);
                $most = max($most, $under["$right $down"]);
            }
        }
        // A line is as good a place all across it: the middle of the best places is meant.
        $least = 0.995 * $most;
        $best = array_map(
            fn (string $at): array => array_map(intval(...), explode(' ', $at)),
            array_keys(array_filter($under, fn (float $share): bool => $share >= $least)),
        );

        return [
            (int) round(array_sum(array_column($best, 0)) / count($best)),
            (int) round(array_sum(array_column($best, 1)) / count($best)),
        ];
    }

    /** @param  list<array{int, int}>  $places */
    private function inkUnder(array $places, Plane $ink, int $right, int $down): float
    {
        $sum = 0;
        foreach ($places as [$x, $y]) {
            $toX = $x + $right;
            $toY = $y + $down;
            if ($toX >= 0 && $toY >= 0 && $toX < $ink->width && $toY < $ink->height) {
                $sum += ord($ink->data[$toY * $ink->width + $toX]);
            }
        }

        return $sum / (255 * count($places));
    }
}
