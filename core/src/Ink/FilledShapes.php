<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Components;
use Awning\Core\Raster\Runs;

/**
 * Wide shapes just as dark as the lines: filled in with the pencil the lines were drawn with. They are told from
 * shadows by that darkness, by their size, and by being lit all round.
 */
final readonly class FilledShapes
{
    /** Within this part of the lines' darkness a cell is as dark as they are. */
    private const ALIKE = 0.25;

    /** So much of a shape is: its rim is lighter. */
    private const MOSTLY = 0.6;

    /** So many of the places round it are lit: a piece of a shadow goes on in shadow. */
    private const ALL_ROUND = 0.85;

    /** Less of the page than this is no shadow. */
    private const SHADOW = 0.06;

    /** So many cells beyond a shape's edge its surroundings begin. */
    private const BEYOND = 4;

    /**
     * @param  int  $lines  darkness of the lines, 0..255; 0: there are none
     * @param  LevelGrid  $closed  the page without its lines
     * @return ?string 255 at the shapes' cells and two beyond, null when there are none
     */
    public static function asDarkAs(int $lines, LevelGrid $closed): ?string
    {
        if ($lines === 0) {
            return null;
        }
        $dark = $alike = '';
        foreach ($closed->around(0.95) as $at => $paper) {
            $darkness = 255 - (255 * ord($closed->levels[$at])) / max(1, $paper);
            $dark .= $darkness > $lines / 2 ? "\xff" : "\0";
            $alike .= abs($darkness - $lines) < self::ALIKE * $lines ? "\xff" : "\0";
        }
        $runs = Runs::ofMarks($dark, $closed->columns, $closed->rows, "\xff");
        $areas = Components::of($runs);
        $drawn = self::drawn($runs, $areas, $alike, self::lit($dark, $lines, $closed, $runs, $areas));
        if ($drawn === []) {
            return null;
        }
        $shapes = str_repeat("\0", strlen($dark));
        foreach ($areas->of as $run => $area) {
            if (isset($drawn[$area])) {
                $length = $runs->to[$run] - $runs->from[$run];
                $shapes = substr_replace($shapes, str_repeat("\xff", $length), $runs->from[$run], $length);
            }
        }

        return $closed->with($shapes)->highest(2)->levels;
    }

    /**
     * @param  string  $alike  255 where it is as dark as the lines
     * @param  array<int, float>  $lit  for each area
     * @return array<int, true> the areas that are drawn
     */
    private static function drawn(Runs $runs, Components $areas, string $alike, array $lit): array
    {
        $asDark = $drawn = $off = [];
        foreach ($areas->of as $run => $area) {
            [$from, $to] = [$runs->from[$run], $runs->to[$run]];
            $asDark[$area] = ($asDark[$area] ?? 0) + substr_count($alike, "\xff", $from, $to - $from);
            $row = intdiv($from, $runs->width);
            if ($row === 0 || $row === $runs->height - 1 || $from % $runs->width === 0 || $to % $runs->width === 0) {
                // What runs off the page is more likely a shadow.
                $off[$area] = true;
            }
        }
        foreach ($asDark as $area => $cells) {
            $size = $areas->area[$area];
            if (
                ! isset($off[$area]) &&
                $size < self::SHADOW * strlen($alike) &&
                $cells > self::MOSTLY * $size &&
                $lit[$area] > self::ALL_ROUND
            ) {
                $drawn[$area] = true;
            }
        }

        return $drawn;
    }

    /** @return array<int, float> for each area the part of the places round it that are lit */
    private static function lit(string $dark, int $lines, LevelGrid $closed, Runs $runs, Components $areas): array
    {
        $places = $lit = array_fill(0, $areas->count(), 0);
        foreach ($areas->of as $run => $area) {
            $here = ord($closed->levels[intdiv($runs->from[$run] + $runs->to[$run], 2)]);
            foreach (self::beyond($runs->from[$run], $runs->to[$run], $closed->columns, strlen($dark)) as $cell) {
                if ($dark[$cell] === "\0") {
                    $places[$area]++;
                    $lit[$area] += ord($closed->levels[$cell]) * (255 - $lines / 2) > 255 * $here ? 1 : 0;
                }
            }
        }

        return array_map(fn (int $lit, int $of): float => $of === 0 ? 0.0 : $lit / $of, $lit, $places);
    }

    /**
     * Cells a little beyond a run: to its left and right, over and under it.
     *
     * @return list<int> those that lie on the page
     */
    private static function beyond(int $from, int $to, int $columns, int $count): array
    {
        $middle = intdiv($from + $to, 2);
        $cells = [
            $from - self::BEYOND,
            $to + self::BEYOND - 1,
            $middle - self::BEYOND * $columns,
            $middle + self::BEYOND * $columns,
        ];

        return array_values(array_filter($cells, fn (int $cell): bool => $cell >= 0 && $cell < $count));
    }
}
