<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;

/**
 * A page in memory while an op is applied: tiles are fetched when asked for, and everything that is set is noted with
 * what stood there before.
 */
final class Sheet
{
    public const SCAN = 'scan';

    public const INK = 'ink';

    public const FLATS = 'flats';

    /** @var array<string, ?string> by "layer column row" */
    private array $tiles = [];

    /** @var array<string, array<array-key, array<string, mixed>>> by kind and key */
    private array $facts = [];

    /** @var array<string, TileChange> */
    private array $tileChanges = [];

    /** @var array<string, FactChange> */
    private array $factChanges = [];

    public function __construct(private readonly SheetSource $source)
    {
    }

    public function isEmpty(): bool
    {
        return $this->fact(FactKind::Page, 'page') === null;
    }

    /** @throws OpRefused when nothing has been imported yet */
    public function grid(): TileGrid
    {
        $page = $this->fact(FactKind::Page, 'page') ?? throw new OpRefused('The page has no line art yet. Import a scan first.');

        return new TileGrid(self::int($page['width']), self::int($page['height']));
    }

    public function rect(): Rect
    {
        $grid = $this->grid();

        return new Rect(0, 0, $grid->width, $grid->height);
    }

    public function tile(string $layer, int $column, int $row): ?string
    {
        $key = "$layer $column $row";
        if (! array_key_exists($key, $this->tiles)) {
            $this->tiles[$key] = $this->source->tile($layer, $column, $row);
        }

        return $this->tiles[$key];
    }

    /** The bytes of a tile, zeros where it is empty. */
    public function bytes(string $layer, int $column, int $row): string
    {
        return $this->tile($layer, $column, $row) ?? str_repeat("\0", TileGrid::PIXELS * LayerKind::of($layer)->bytesPerPixel());
    }

    /** @param  ?string  $bytes  all zeros counts as empty */
    public function setTile(string $layer, int $column, int $row, ?string $bytes): void
    {
        if ($bytes !== null && strspn($bytes, "\0") === strlen($bytes)) {
            $bytes = null;
        }
        $before = $this->tile($layer, $column, $row);
        if ($before === $bytes) {
            return;
        }
        $key = "$layer $column $row";
        $this->tiles[$key] = $bytes;
        $first = array_key_exists($key, $this->tileChanges) ? $this->tileChanges[$key]->before : $before;
        $this->tileChanges[$key] = new TileChange($layer, $column, $row, $first, $bytes);
    }

    /** Puts a whole layer in place of what was there. */
    public function setLayer(string $layer, string $data): void
    {
        $grid = $this->grid();
        $tiles = $grid->cut($data, LayerKind::of($layer)->bytesPerPixel());
        foreach ($this->tilesOf($layer) as [$column, $row]) {
            if (! isset($tiles["$column,$row"])) {
                $this->setTile($layer, $column, $row, null);
            }
        }
        foreach ($tiles as $key => $bytes) {
            [$column, $row] = explode(',', $key);
            $this->setTile($layer, (int) $column, (int) $row, $bytes);
        }
    }

    public function clearLayer(string $layer): void
    {
        foreach ($this->tilesOf($layer) as [$column, $row]) {
            $this->setTile($layer, $column, $row, null);
        }
    }

    /** The whole layer as one string; for whole-page work. */
    public function layer(string $layer): string
    {
        return $this->grid()->join(fn (int $column, int $row): ?string => $this->tile($layer, $column, $row), LayerKind::of($layer)->bytesPerPixel());
    }

    /** @return list<array{int, int}> */
    private function tilesOf(string $layer): array
    {
        $places = [];
        foreach ($this->source->tilesOf($layer) as $place) {
            $places[implode(' ', $place)] = $place;
        }
        foreach ($this->tileChanges as $change) {
            if ($change->layer === $layer) {
                $places["$change->column $change->row"] = [$change->column, $change->row];
            }
        }

        return array_values($places);
    }

    /** The label of a pixel, 0 outside the page. */
    public function labelAt(int $x, int $y): int
    {
        if ($x < 0 || $y < 0) {
            return 0;
        }
        $tile = $this->tile(self::FLATS, intdiv($x, TileGrid::SIZE), intdiv($y, TileGrid::SIZE));
        $at = 2 * (($y % TileGrid::SIZE) * TileGrid::SIZE + $x % TileGrid::SIZE);

        return $tile === null ? 0 : ord($tile[$at]) << 8 | ord($tile[$at + 1]);
    }

    /** @return array<array-key, array<string, mixed>> by key */
    public function facts(FactKind $kind): array
    {
        return $this->facts[$kind->value] ??= $this->source->facts($kind);
    }

    /** @return ?array<string, mixed> */
    public function fact(FactKind $kind, int|string $key): ?array
    {
        return $this->facts($kind)[$key] ?? null;
    }

    /** @param  ?array<string, mixed>  $value  null takes the fact away */
    public function setFact(FactKind $kind, int|string $key, ?array $value): void
    {
        $before = $this->fact($kind, $key);
        if ($before === $value) {
            return;
        }
        if ($value === null) {
            unset($this->facts[$kind->value][$key]);
        } else {
            $this->facts[$kind->value][$key] = $value;
        }
        $name = "$kind->value $key";
        $first = array_key_exists($name, $this->factChanges) ? $this->factChanges[$name]->before : $before;
        $this->factChanges[$name] = new FactChange($kind, (string) $key, $first, $value);
    }

    /** Everything altered since the sheet was opened or last asked; what came back to where it was is left out. */
    public function takeChange(): Change
    {
        $change = new Change(
            array_values(array_filter($this->tileChanges, fn (TileChange $c): bool => $c->before !== $c->after)),
            array_values(array_filter($this->factChanges, fn (FactChange $c): bool => $c->before !== $c->after)),
        );
        $this->tileChanges = $this->factChanges = [];

        return $change;
    }

    /** Does a recorded change again; with its inverse, takes it back. */
    public function replay(Change $change): void
    {
        foreach ($change->facts as $fact) {
            $this->setFact($fact->kind, $fact->key, $fact->after);
        }
        foreach ($change->tiles as $tile) {
            $this->setTile($tile->layer, $tile->column, $tile->row, $tile->after);
        }
    }

    private static function int(mixed $value): int
    {
        return is_int($value) ? $value : throw new \UnexpectedValueException('The page\'s size is damaged.');
    }
}
