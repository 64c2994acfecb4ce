<?php

declare(strict_types=1);

namespace Awning\Core\Ink;

use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Plane;

/**
 * What the bare paper gives at each place of a scan: its tint times the light that falls on it, hard shadows and areas
 * of grey marker included.
 *
 * A grey closing takes the lines away and keeps the edges of what is wide (Serra 1982, as common in background
 * removal). What is wide and nearly as dark as ink is a solid black: there the paper is taken from around it. Where the
 * light changes fast, the darker of the neighbours counts: an edge of a shadow must not become a line, and ink is still
 * far darker than the shadow.
 */
final readonly class PaperLight
{
    /** In cells; lines up to twice as wide count as lines wherever they are. */
    private const LINES = 4;

    /** Wide and below this part of the paper's level is solid black; shadows are rarely so deep (common practice). */
    private const BLACK = 0.3;

    /** How much of the brightest paper the dimmest corner still has. */
    private const DIMMEST = 0.55;

    /** Neighbours nearer than this part of their level are one light, and are smoothed. */
    private const STEADY = 0.1;

    private const UNKNOWN = 0;

    /** Levels of light that are not told apart. */
    private const SAME = 2;

    /** Every so many rows are looked at to know how dark the lines are. */
    private const SAMPLE = 4;

    /** @param  string  $known  255 at the cells where the paper shows, 0 at solid blacks */
    private function __construct(public LevelGrid $grid, public LevelGrid $closed, private string $known)
    {
    }

    public static function of(Plane $scan): self
    {
        $closed = LevelGrid::brightest($scan)->closed(self::LINES);
        $known = self::withoutBlack($closed);
        $light = self::around($closed, $known);
        $solid = FilledShapes::asDarkAs($light->linesOf($scan), $closed);

        return $solid === null ? $light : self::around($closed, $known->with($known->levels & ~$solid));
    }

    /**
     * On another channel of the same scan, cell by cell: its solid blacks lie where these do. Enough to tell colours
     * by.
     */
    public function ofChannel(Plane $scan): self
    {
        $closed = LevelGrid::brightest($scan)->closed(self::LINES);

        return new self(self::spread(self::masked($closed, $this->known)), $closed, $this->known);
    }

    /** The same without the paper's grain, for a channel that is used. */
    public function steady(): self
    {
        return self::around($this->closed, self::masked($this->closed, $this->known));
    }

    /** Where the paper shows its levels, which are 1 at the least; else unknown. */
    private static function masked(LevelGrid $closed, string $known): LevelGrid
    {
        return $closed->with(strtr($closed->levels, "\0", "\1") & $known);
    }

    /** The same, part of the way (0..1) to one light all over the page. */
    public function even(float $part): self
    {
        if ($part <= 0.0) {
            return $this;
        }
        $brightest = $this->grid->brightestLevel();
        $table = Bytes::table(fn (int $level): float => $level + ($brightest - $level) * $part);

        return new self(
            $this->grid->with(strtr($this->grid->levels, Bytes::identity(), $table)),
            $this->closed,
            $this->known,
        );
    }

    /** The light where all is known but what is 0. */
    private static function around(LevelGrid $closed, LevelGrid $known): self
    {
        $mask = "\0".str_repeat("\xff", 255);

        return new self(
            self::spread(self::steadied(self::steadied($known))),
            $closed,
            strtr($known->levels, Bytes::identity(), $mask),
        );
    }

    /** How dark the lines are, 0..255; 0 when there are next to none. */
    private function linesOf(Plane $scan): int
    {
        $histogram = count_chars($this->darkRows($scan, self::SAMPLE), 0);
        $split = Levels::darkFrom($histogram);
        $dark = array_slice($histogram, $split, null, true);

        return array_sum($dark) === 0 ? 0 : Levels::quantile($dark, $split, (int) (0.7 * array_sum($dark)));
    }

    /** Solid blacks become unknown. */
    private static function withoutBlack(LevelGrid $closed): LevelGrid
    {
        $dimmest = (int) (self::DIMMEST * $closed->brightestLevel());
        $levels = '';
        foreach ($closed->around(0.95) as $at => $paper) {
            $level = ord($closed->levels[$at]);
            $levels .= chr($level <= self::BLACK * max($paper, $dimmest) ? self::UNKNOWN : max(1, $level));
        }

        return $closed->with($levels);
    }

    /** Each known cell the mean of the known ones around it where they are much the same, else the darkest of them. */
    private static function steadied(LevelGrid $grid): LevelGrid
    {
        [$levels, $columns, $count] = [$grid->levels, $grid->columns, strlen($grid->levels)];
        $out = $levels;
        for ($at = 0; $at < $count; $at++) {
            if ($levels[$at] === "\0") {
                continue;
            }
            $column = $at % $columns;
            $left = $column > 0 ? -1 : 0;
            $right = $column + 1 < $columns ? 1 : 0;
            [$sum, $number, $least, $most] = [0, 0, 255, 0];
            for (
                $line = max($at % $columns, $at - $columns), $last = $at + $columns;
                $line <= $last && $line < $count;
                $line += $columns
            ) {
                for ($i = $line + $left; $i <= $line + $right; $i++) {
                    $level = ord($levels[$i]);
                    if ($level > 0) {
                        $sum += $level;
                        $number++;
                        $least = $level < $least ? $level : $least;
                        $most = $level > $most ? $level : $most;
                    }
                }
            }
            $out[$at] = chr(
                $most - $least <= self::STEADY * $most ? intdiv($sum + ($number >> 1), max(1, $number)) : $least,
            );
        }

        return $grid->with($out);
    }

    /** Unknown cells take the level of the nearest known ones. */
    private static function spread(LevelGrid $grid): LevelGrid
    {
        [$levels, $columns, $count] = [$grid->levels, $grid->columns, strlen($grid->levels)];
        $front = [];
        for ($at = strpos($levels, "\0"); $at !== false; $at = strpos($levels, "\0", $at + 1)) {
            if (self::beside($levels, $at, $columns, $count) > 0) {
                $front[] = $at;
            }
        }
        if ($front === []) {
            return $levels[0] === "\0" ? $grid->with(str_repeat("\xff", $count)) : $grid;
        }
        while ($front !== []) {
            $found = [];
            foreach ($front as $at) {
                if ($levels[$at] === "\0") {
                    $found[$at] = chr(self::beside($levels, $at, $columns, $count));
                }
            }
            $front = [];
            foreach ($found as $at => $level) {
                $levels[$at] = $level;
            }
            foreach (array_keys($found) as $at) {
                foreach (
                    [
                        $at % $columns > 0 ? $at - 1 : $at,
                        ($at % $columns) + 1 < $columns ? $at + 1 : $at,
                        $at - $columns,
                        $at + $columns,
                    ] as $next
                ) {
                    if ($next >= 0 && $next < $count && $levels[$next] === "\0") {
                        $front[] = $next;
                    }
                }
            }
        }

        return $grid->with($levels);
    }

    /** Mean level of the known ones of the four cells beside one; 0 when there is none. */
    private static function beside(string $levels, int $at, int $columns, int $count): int
    {
        $sum = $number = 0;
        foreach (
            [
                $at % $columns > 0 ? $at - 1 : $at,
                ($at % $columns) + 1 < $columns ? $at + 1 : $at,
                max($at % $columns, $at - $columns),
                $at + $columns < $count ? $at + $columns : $at,
            ] as $beside
        ) {
            $level = ord($levels[$beside]);
            if ($level > 0) {
                $sum += $level;
                $number++;
            }
        }

        return $number === 0 ? 0 : intdiv($sum + intdiv($number, 2), $number);
    }

    /** How much darker than the paper each pixel of a scan is: 0 paper, 255 black. */
    public function darkness(Plane $scan): Plane
    {
        return new Plane($scan->width, $scan->height, $this->darkRows($scan, 1));
    }

    /** How dark each pixel is, of every so many rows. */
    private function darkRows(Plane $scan, int $every): string
    {
        [$width, $cell] = [$scan->width, $this->grid->cell];
        $from = Bytes::identity();
        $tables = [];
        $data = '';
        $row = -1;
        $stretches = [];
        for ($y = 0; $y < $scan->height; $y += $every) {
            if (intdiv($y, $cell) !== $row) {
                $row = intdiv($y, $cell);
                $stretches = $this->stretches($row, $width);
            }
            $at = $y * $width;
            foreach ($stretches as [$length, $level]) {
                $tables[$level] ??= Bytes::table(fn (int $value): float => 255 - ($value * 255) / $level);
                $data .= strtr(substr($scan->data, $at, $length), $from, $tables[$level]);
                $at += $length;
            }
        }

        return $data;
    }

    /**
     * @return list<array{int, int}> pixels and level, along one row of cells; smaller steps are not worth a new stretch
     */
    private function stretches(int $row, int $width): array
    {
        [$cell, $columns, $levels] = [$this->grid->cell, $this->grid->columns, $this->grid->levels];
        $stretches = [];
        $first = $row * $columns;
        $level = ord($levels[$first]);
        $start = 0;
        for ($column = 1; $column < $columns; $column++) {
            $here = ord($levels[$first + $column]);
            if ($here - $level > self::SAME || $level - $here > self::SAME) {
                $stretches[] = [$column * $cell - $start, max(1, $level)];
                $level = $here;
                $start = $column * $cell;
            }
        }
        $stretches[] = [$width - $start, max(1, $level)];

        return $stretches;
    }
}
