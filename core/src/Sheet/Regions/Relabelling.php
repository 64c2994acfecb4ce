<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\Regions;

use Awning\Core\Flats\FlatsFinder;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\Painting\LayerWindow;
use Awning\Core\Sheet\Sheet;

/**
 * Gives pixels of the flats other labels by hand, and keeps what is known of the regions true: how many free pixels
 * they have, a place inside them, and that there is none without any.
 */
final class Relabelling
{
    private readonly LayerWindow $labels;

    private readonly LayerWindow $ink;

    /** @var array<int, array<int, int>> free pixels that went, by the label they had and the one they have */
    private array $went = [];

    private int $moved = 0;

    public function __construct(private readonly Sheet $sheet)
    {
        $this->labels = new LayerWindow($sheet, LayerName::flats());
        $this->ink = new LayerWindow($sheet, LayerName::ink());
    }

    /** @return string the labels in a part of the page, two bytes a pixel */
    public function read(Rect $window): string
    {
        return $this->labels->read($window);
    }

    /**
     * @param  string  $wanted  255 for each pixel that is given the label, row after row
     * @param  callable(int): bool  $mayLose  whether pixels of a label may be taken
     */
    public function give(Rect $window, string $wanted, int $to, callable $mayLose): void
    {
        $before = $this->read($window);
        $word = pack('n', $to);
        $may = [];
        $after = '';
        $done = 0;
        for ($at = strspn($wanted, "\0"), $end = strlen($wanted); $at < $end; $at += strspn($wanted, "\0", $at)) {
            $length = strspn($wanted, "\xff", $at);
            $after .= substr($before, 2 * $done, 2 * ($at - $done));
            foreach (Labels::spans(substr($before, 2 * $at, 2 * $length)) as [$from, $until, $label]) {
                $after .= ($may[$label] ??= $mayLose($label))
                    ? str_repeat($word, $until - $from)
                    : str_repeat(pack('n', $label), $until - $from);
            }
            $at += $length;
            $done = $at;
        }
        $this->write($window, $before, $after.substr($before, 2 * $done));
    }

    /**
     * @param  string  $before  the labels as they are there
     * @param  string  $after  as they shall be
     */
    public function write(Rect $window, string $before, string $after): void
    {
        if ($before === $after) {
            return;
        }
        $free = strtr($this->ink->read($window), Bytes::identity(), Bytes::threshold(FlatsFinder::BOUND));
        foreach (Labels::spans($before ^ $after) as [$from, $to, $difference]) {
            if ($difference !== 0) {
                $this->count(
                    substr($before, 2 * $from, 2 * ($to - $from)),
                    substr($after, 2 * $from, 2 * ($to - $from)),
                    substr($free, $from, $to - $from),
                );
                $this->moved += $to - $from;
            }
        }
        $this->labels->write($window, $after);
    }

    private function count(string $before, string $after, string $free): void
    {
        foreach (Labels::spans($before) as [$from, $to, $old]) {
            foreach (Labels::spans(substr($after, 2 * $from, 2 * ($to - $from))) as [$start, $end, $new]) {
                $this->went[$old][$new] =
                    ($this->went[$old][$new] ?? 0) + substr_count($free, "\0", $from + $start, $end - $start);
            }
        }
    }

    /** How many pixels have another label since the records were made true last, those under the ink among them. */
    public function moved(): int
    {
        return $this->moved;
    }

    /**
     * The regions' records are made true. Those that have no free pixel left are gone; what is left of them under the
     * lines goes with the rest.
     */
    public function settle(): void
    {
        $change = [];
        foreach ($this->went as $old => $to) {
            foreach ($to as $new => $count) {
                $change[$old] = ($change[$old] ?? 0) - $count;
                $change[$new] = ($change[$new] ?? 0) + $count;
            }
        }
        foreach ($change as $label => $by) {
            $region = $this->sheet->find(Region::class, $label);
            if ($region === null) {
                continue;
            }
            $area = $region->area + $by;
            $isWhere = $region->area > 0 && $this->sheet->labelAt($region->x, $region->y) === $label;
            $place = $area <= 0 ? null : ($isWhere ? [$region->x, $region->y] : $this->place($label, $region));
            if ($place === null) {
                $heirs = $this->went[$label] ?? [];
                arsort($heirs);
                $this->join($label, (int) (array_key_first($heirs) ?? 0));
            } else {
                $this->sheet->put($label, $region->reaching($area, ...$place));
            }
        }
        $this->went = [];
        $this->moved = 0;
    }

    /** All that a region has becomes another's, and its record goes. */
    public function join(int $label, int $into): void
    {
        [$old, $new] = [pack('n', $label), pack('n', $into)];
        foreach ($this->tilesWith($label) as [$column, $row, $tile]) {
            $joined = '';
            foreach (Labels::spans($tile) as [$from, $to, $one]) {
                $joined .= str_repeat($one === $label ? $new : pack('n', $one), $to - $from);
            }
            $this->sheet->setTile(LayerName::flats(), $column, $row, $joined);
        }
        $this->sheet->remove(Region::class, $label);
    }

    /** The part of the page a region lies in, to whole tiles. */
    public function window(int $label): Rect
    {
        $tiles = array_map(
            fn (array $tile): Rect => TileGrid::rect($tile[0], $tile[1]),
            array_values([...$this->tilesWith($label)]),
        );

        return Rect::around($tiles)->intersect($this->sheet->rect());
    }

    /** @return list<array{int, int, string}> column, row and bytes of the tiles in which a label may be */
    private function tilesWith(int $label): array
    {
        $word = pack('n', $label);
        $found = [];
        foreach ($this->sheet->grid()->all() as [$column, $row]) {
            $tile = $this->sheet->tile(LayerName::flats(), $column, $row);
            if ($tile !== null && str_contains($tile, $word)) {
                $found[] = [$column, $row, $tile];
            }
        }

        return $found;
    }

    /**
     * @return ?array{int, int} the middle of its longest run in the tile nearest to where it was that has one; null
     *     when it has no pixel left
     */
    private function place(int $label, Region $was): ?array
    {
        $word = pack('n', $label);
        $none = str_repeat("\0", TileGrid::PIXELS);
        $places = $this->sheet->grid()->all();
        $away = fn (int $column, int $row): int => abs($column * TileGrid::SIZE + 128 - $was->x) +
            abs($row * TileGrid::SIZE + 128 - $was->y);
        usort($places, fn (array $a, array $b): int => $away(...$a) <=> $away(...$b));
        // Solid black has no pixel that is free.
        foreach ([true, false] as $isFree) {
            foreach ($places as [$column, $row]) {
                $tile = $this->sheet->tile(LayerName::flats(), $column, $row);
                if ($tile === null || ! str_contains($tile, $word)) {
                    continue;
                }
                $bounds = $isFree
                    ? strtr(
                        $this->sheet->bytes(LayerName::ink(), $column, $row),
                        Bytes::identity(),
                        Bytes::threshold(FlatsFinder::BOUND),
                    )
                    : $none;
                $place = self::longestRun($tile, $bounds, $label);
                if ($place !== null) {
                    return [$column * TileGrid::SIZE + $place[0], $row * TileGrid::SIZE + $place[1]];
                }
            }
        }

        return null;
    }

    /** @return ?array{int, int} the middle of a label's longest free run in a tile */
    private static function longestRun(string $tile, string $free, int $label): ?array
    {
        $longest = 0;
        $place = null;
        foreach (str_split($tile, 2 * TileGrid::SIZE) as $y => $line) {
            foreach (Labels::spans($line) as [$from, $to, $one]) {
                for ($at = $from; $one === $label && $at < $to; $at += max(1, $length)) {
                    $length = strspn($free, "\0", $y * TileGrid::SIZE + $at, $to - $at);
                    if ($length > $longest) {
                        [$longest, $place] = [$length, [$at + ($length >> 1), $y]];
                    }
                }
            }
        }

        return $place;
    }
}
