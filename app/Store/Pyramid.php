<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Codec\Thumbnail;
use Awning\Core\Page\LayerKind;
use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\State\SheetSource;

/**
 * A page at half, a quarter, an eighth … of its size, for looking at. A reduced tile is named by the hashes of the four
 * it is made of, so it is made once and can be kept for ever.
 */
final class Pyramid implements SheetSource
{
    public const HIGHEST = 4;

    /** Column and row of the four tiles a reduced one is made of, beside its own doubled. */
    private const QUARTERS = [[0, 0], [1, 0], [0, 1], [1, 1]];

    /** @var array<string, string> name => deflated bytes */
    private array $fetched = [];

    /** @param  int  $level  0: full size; each level more halves it */
    public function __construct(
        private readonly PageStore $store,
        private readonly int $level,
        private readonly Tiles $tiles = new Tiles,
    ) {
        if ($level < 0 || $level > self::HIGHEST) {
            throw new \RangeException('There are levels 0 to '.self::HIGHEST.'.');
        }
    }

    /**
     * Fetches all of layers that will be asked for, which come one by one else.
     *
     * @param  list<LayerName>  $layers
     */
    public function fetch(array $layers): void
    {
        $this->store->know($layers);
        $names = [];
        foreach ($layers as $layer) {
            foreach ($this->tilesOf($layer) as [$column, $row]) {
                $names[] = (string) $this->name($layer, $this->level, $column, $row);
            }
        }
        $this->fetched = $names === [] ? [] : $this->tiles->manyPacked($names);
    }

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        $name = $this->name($layer, $this->level, $column, $row);
        // Nearly always it has been made.
        $packed = $name === null ? null : $this->fetched[$name] ?? $this->tiles->packed($name);
        if ($name === null || $packed !== null) {
            return $name === null ? null : Tiles::inflate($name, $packed);
        }

        return $this->tiles->bytes((string) $this->hash($layer, $column, $row));
    }

    /** The name of a reduced tile, made and stored if it was not; null when it is empty. */
    public function hash(LayerName $layer, int $column, int $row): ?string
    {
        return $this->ensure($layer, $this->level, $column, $row);
    }

    /**
     * @return array<string, array<string, string>> layer => "column,row" => name, of every tile of this level that is
     *     not empty
     */
    public function names(): array
    {
        $names = $this->store->allHashes();
        for ($level = 1; $level <= $this->level; $level++) {
            foreach ($names as $layer => $below) {
                $names[$layer] = $this->oneUp(LayerName::parse($layer), $below);
            }
        }

        return $names;
    }

    /**
     * @param  array<string, string>  $below  "column,row" => name, of one level
     * @return array<string, string> of the next
     */
    private function oneUp(LayerName $layer, array $below): array
    {
        $names = [];
        foreach (array_keys($below) as $place) {
            [$column, $row] = array_map(fn (string $at): int => (int) $at >> 1, explode(',', $place));
            $names["$column,$row"] ??= self::nameOf(
                $layer,
                array_map(
                    fn (array $q): ?string => $below[2 * $column + $q[0].','.(2 * $row + $q[1])] ?? null,
                    self::QUARTERS,
                ),
            );
        }

        return array_filter($names);
    }

    /**
     * @param  list<?string>  $quarters  names of the four tiles it is made of
     * @return ?string null when all are empty
     */
    private static function nameOf(LayerName $layer, array $quarters): ?string
    {
        return array_filter($quarters) === []
            ? null
            : hash(
                'sha256',
                $layer->kind->value.
                    ' '.
                    implode('', array_map(fn (?string $name): string => ($name ?? '-').' ', $quarters)),
            );
    }

    public function tilesOf(LayerName $layer): array
    {
        $places = [];
        foreach ($this->store->tilesOf($layer) as [$column, $row]) {
            $place = [$column >> $this->level, $row >> $this->level];
            $places[implode(',', $place)] = $place;
        }

        return array_values($places);
    }

    public function records(RecordKind $kind): array
    {
        return array_map($this->reduced(...), $this->store->records($kind));
    }

    public function record(RecordKind $kind, int|string $key): ?Record
    {
        $record = $this->store->record($kind, $key);

        return $record === null ? null : $this->reduced($record);
    }

    private function reduced(Record $record): Record
    {
        return $record instanceof PageSize ? $record->reduced($this->level) : $record;
    }

    private function name(LayerName $layer, int $level, int $column, int $row): ?string
    {
        if ($level === 0) {
            return $this->store->hashesOf($layer)["$column,$row"] ?? null;
        }

        return self::nameOf(
            $layer,
            array_map(
                fn (array $q): ?string => $this->name($layer, $level - 1, 2 * $column + $q[0], 2 * $row + $q[1]),
                self::QUARTERS,
            ),
        );
    }

    private function ensure(LayerName $layer, int $level, int $column, int $row): ?string
    {
        $name = $this->name($layer, $level, $column, $row);
        if ($name === null || $level === 0 || $this->tiles->has($name)) {
            return $name;
        }
        $quarters = [];
        foreach (self::QUARTERS as [$x, $y]) {
            $child = $this->ensure($layer, $level - 1, 2 * $column + $x, 2 * $row + $y);
            $quarters[] = $child === null ? null : $this->tiles->bytes($child);
        }
        $kind = $layer->kind;
        $this->tiles->putNamed(
            $name,
            match ($kind) {
                LayerKind::Coverage => $this->averaged($quarters, 0),
                LayerKind::Labels => $this->picked($quarters),
                LayerKind::Paint => $this->averaged($quarters, 0).
                    $this->averaged($quarters, 1).
                    $this->averaged($quarters, 2).
                    $this->averaged($quarters, 3),
            },
        );

        return $name;
    }

    /** @param  list<?string>  $quarters */
    private function averaged(array $quarters, int $plane): string
    {
        $half = TileGrid::SIZE / 2;
        $parts = array_map(
            fn (?string $tile): string => $tile === null
                ? str_repeat("\0", $half * $half)
                : Thumbnail::shrink(
                    substr($tile, $plane * TileGrid::PIXELS, TileGrid::PIXELS),
                    TileGrid::SIZE,
                    TileGrid::SIZE,
                    $half,
                    $half,
                ),
            $quarters,
        );

        return $this->joined($parts, 1);
    }

    /** @param  list<?string>  $quarters */
    private function picked(array $quarters): string
    {
        $half = TileGrid::SIZE / 2;
        $parts = array_map(function (?string $tile) use ($half): string {
            if ($tile === null) {
                return str_repeat("\0\0", $half * $half);
            }
            $even = '';
            for ($y = 0; $y < TileGrid::SIZE; $y += 2) {
                $even .= substr($tile, 2 * $y * TileGrid::SIZE, 2 * TileGrid::SIZE);
            }

            return (string) preg_replace('/(..)../s', '$1', $even);
        }, $quarters);

        return $this->joined($parts, 2);
    }

    /** @param  list<string>  $parts four squares of half a tile's side */
    private function joined(array $parts, int $size): string
    {
        $row = (TileGrid::SIZE / 2) * $size;
        $out = '';
        foreach ([0, 2] as $left) {
            for ($y = 0; $y < TileGrid::SIZE / 2; $y++) {
                $out .= substr($parts[$left], $y * $row, $row).substr($parts[$left + 1], $y * $row, $row);
            }
        }

        return $out;
    }
}
