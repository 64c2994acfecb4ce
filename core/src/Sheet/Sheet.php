<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\PageSize;
use Awning\Core\Page\Pass\PassSpec;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;
use Awning\Core\Page\Region\Region;
use Awning\Core\Raster\Bytes;
use Awning\Core\Raster\Labels;
use Awning\Core\Raster\Plane;
use Awning\Core\Raster\Rect;
use Awning\Core\Raster\TileGrid;
use Awning\Core\Sheet\State\Change;
use Awning\Core\Sheet\State\Groups;
use Awning\Core\Sheet\State\RecordChange;
use Awning\Core\Sheet\State\SheetSource;
use Awning\Core\Sheet\State\TileChange;

/**
 * A page in memory while an op is applied: tiles are fetched when asked for, and everything that is set is noted with
 * what stood there before.
 */
final class Sheet
{
    /** @var array<string, ?string> by "layer column row" */
    private array $tiles = [];

    /**
     * @var array<string, array<array-key, ?Record>> by kind and key, as far as they were asked for one by one or set
     */
    private array $records = [];

    /** @var array<string, true> kinds of which every record is in */
    private array $complete = [];

    /** @var array<string, TileChange> */
    private array $tileChanges = [];

    /** @var array<string, RecordChange> */
    private array $recordChanges = [];

    public function __construct(private readonly SheetSource $source)
    {
    }

    public function isEmpty(): bool
    {
        return $this->find(PageSize::class, PageSize::KEY) === null;
    }

    /** @throws OpRefused when nothing has been imported yet */
    public function size(): PageSize
    {
        return $this->find(PageSize::class, PageSize::KEY) ??
            throw new OpRefused('The page has no line art yet. Import a scan first.');
    }

    /** @throws OpRefused when nothing has been imported yet */
    public function grid(): TileGrid
    {
        $size = $this->size();

        return new TileGrid($size->width, $size->height);
    }

    public function rect(): Rect
    {
        $grid = $this->grid();

        return new Rect(0, 0, $grid->width, $grid->height);
    }

    public function tile(LayerName $layer, int $column, int $row): ?string
    {
        $key = "$layer->value $column $row";
        if (! array_key_exists($key, $this->tiles)) {
            $this->tiles[$key] = $this->source->tile($layer, $column, $row);
        }

        return $this->tiles[$key];
    }

    /** The bytes of a tile, zeros where it is empty. */
    public function bytes(LayerName $layer, int $column, int $row): string
    {
        return $this->tile($layer, $column, $row) ??
            str_repeat("\0", TileGrid::PIXELS * $layer->kind->bytesPerPixel());
    }

    /** @param  ?string  $bytes  all zeros counts as empty */
    public function setTile(LayerName $layer, int $column, int $row, ?string $bytes): void
    {
        if ($bytes !== null && Bytes::isNothing($bytes)) {
            $bytes = null;
        }
        $before = $this->tile($layer, $column, $row);
        if ($before === $bytes) {
            return;
        }
        $key = "$layer->value $column $row";
        $this->tiles[$key] = $bytes;
        $first = array_key_exists($key, $this->tileChanges) ? $this->tileChanges[$key]->before : $before;
        $this->tileChanges[$key] = new TileChange($layer, $column, $row, $first, $bytes);
    }

    /** Puts a whole layer in place of what was there. */
    public function setLayer(LayerName $layer, string $data): void
    {
        $grid = $this->grid();
        $tiles = $grid->cut($data, $layer->kind->bytesPerPixel());
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

    /**
     * A paint layer as whole planes: red, green, blue, alpha.
     *
     * @return list<string>
     */
    public function planes(LayerName $layer): array
    {
        $plane = fn (int $number): string => $this->grid()->join(function (int $column, int $row) use (
            $layer,
            $number,
        ): ?string {
            $tile = $this->tile($layer, $column, $row);

            return $tile === null ? null : substr($tile, $number * TileGrid::PIXELS, TileGrid::PIXELS);
        });

        return array_map($plane, range(0, $layer->kind->bytesPerPixel() - 1));
    }

    /** @param  list<string>  $planes  as planes() gives them */
    public function setPlanes(LayerName $layer, array $planes): void
    {
        $grid = $this->grid();
        $cut = array_map(fn (string $plane): array => $grid->cut($plane), $planes);
        $empty = str_repeat("\0", TileGrid::PIXELS);
        foreach ($grid->all() as [$column, $row]) {
            $this->setTile(
                $layer,
                $column,
                $row,
                implode('', array_map(fn (array $tiles): string => $tiles["$column,$row"] ?? $empty, $cut)),
            );
        }
    }

    public function clearLayer(LayerName $layer): void
    {
        foreach ($this->tilesOf($layer) as [$column, $row]) {
            $this->setTile($layer, $column, $row, null);
        }
    }

    /** The whole layer as one string; for whole-page work. */
    public function layer(LayerName $layer): string
    {
        return $this->grid()->join(
            fn (int $column, int $row): ?string => $this->tile($layer, $column, $row),
            $layer->kind->bytesPerPixel(),
        );
    }

    /** The flats of the whole page. */
    public function labels(): Labels
    {
        $size = $this->size();

        return new Labels($size->width, $size->height, $this->layer(LayerName::flats()));
    }

    /** The ink of the whole page. */
    public function ink(): Plane
    {
        $size = $this->size();

        return new Plane($size->width, $size->height, $this->layer(LayerName::ink()));
    }

    /** @return array<string, array{int, int}> by "column,row", where any of some layers may have a tile */
    public function tilesOf(LayerName ...$layers): array
    {
        $places = $wanted = [];
        foreach ($layers as $layer) {
            $wanted[$layer->value] = true;
            foreach ($this->source->tilesOf($layer) as $place) {
                $places[implode(',', $place)] = $place;
            }
        }
        foreach ($this->tileChanges as $change) {
            if (isset($wanted[$change->layer->value])) {
                $places["$change->column,$change->row"] = [$change->column, $change->row];
            }
        }

        return $places;
    }

    /** The label of a pixel, 0 outside the page. */
    public function labelAt(int $x, int $y): int
    {
        if ($x < 0 || $y < 0) {
            return 0;
        }
        $tile = $this->tile(LayerName::flats(), intdiv($x, TileGrid::SIZE), intdiv($y, TileGrid::SIZE));
        $at = 2 * (($y % TileGrid::SIZE) * TileGrid::SIZE + ($x % TileGrid::SIZE));

        return $tile === null ? 0 : (ord($tile[$at]) << 8) | ord($tile[$at + 1]);
    }

    /**
     * Regions that somebody has picked, as far as they are still there.
     *
     * @param  list<int>  $labels
     * @return non-empty-array<array-key, Region> by label
     *
     * @throws OpRefused when none of them is
     */
    public function picked(array $labels): array
    {
        $regions = array_intersect_key($this->all(Region::class), array_flip($labels));

        return $regions === []
            ? throw new OpRefused('These regions are gone. Reload the page and pick them again.')
            : $regions;
    }

    /**
     * A label no region has.
     *
     * @throws OpRefused when there are as many regions as can be named
     */
    public function freeLabel(): int
    {
        $regions = $this->all(Region::class);
        $last = max([0, ...array_keys($regions)]);
        if ($last < Labels::MOST) {
            return $last + 1;
        }
        for ($label = 1; $label <= Labels::MOST; $label++) {
            if (! isset($regions[$label])) {
                return $label;
            }
        }
        throw new OpRefused(
            'There are as many regions on this page as can be. Join some, or find the regions anew, before more are '.
                'made.',
        );
    }

    /**
     * Every record of a kind.
     *
     * @template R of Record
     *
     * @param  class-string<R>  $class
     * @return array<array-key, R> by key
     */
    public function all(string $class): array
    {
        $kind = $class::kind();
        if (! isset($this->complete[$kind->value])) {
            $this->records[$kind->value] = ($this->records[$kind->value] ?? []) + $this->source->records($kind);
            $this->complete[$kind->value] = true;
        }

        return array_filter($this->records[$kind->value], fn (?Record $record): bool => $record instanceof $class);
    }

    /**
     * @template R of Record
     *
     * @param  class-string<R>  $class
     * @return ?R
     */
    public function find(string $class, int|string $key): ?Record
    {
        $record = $this->record($class::kind(), $key);

        return $record instanceof $class ? $record : null;
    }

    private function record(RecordKind $kind, int|string $key): ?Record
    {
        if (! array_key_exists($key, $this->records[$kind->value] ?? []) && ! isset($this->complete[$kind->value])) {
            $this->records[$kind->value][$key] = $this->source->record($kind, $key);
        }

        return $this->records[$kind->value][$key] ?? null;
    }

    public function put(int|string $key, Record $record): void
    {
        $this->set($record::kind(), $key, $record);
    }

    /** @param  class-string<Record>  $class */
    public function remove(string $class, int|string $key): void
    {
        $this->set($class::kind(), $key, null);
    }

    private function set(RecordKind $kind, int|string $key, ?Record $after): void
    {
        $before = $this->record($kind, $key);
        $name = "$kind->value $key";
        $first = array_key_exists($name, $this->recordChanges) ? $this->recordChanges[$name]->before : $before;
        $this->records[$kind->value][$key] = $after;
        $this->recordChanges[$name] = new RecordChange($kind, (string) $key, $first, $after);
    }

    /**
     * Everything altered since the sheet was opened or last asked; what came back to where it was is left out.
     *
     * @throws OpRefused when what must always hold of a page's records would not
     */
    public function takeChange(): Change
    {
        if ($this->altered(RecordKind::Pass) || $this->altered(RecordKind::Group)) {
            Groups::hold($this);
        }
        $this->checkPainted();
        $change = new Change(
            array_values(array_filter($this->tileChanges, fn (TileChange $c): bool => $c->before !== $c->after)),
            array_values(array_filter($this->recordChanges, fn (RecordChange $c): bool => ! $c->isNone())),
        );
        $this->tileChanges = $this->recordChanges = [];

        return $change;
    }

    /** @throws OpRefused when paint was laid in a pass that holds none */
    private function checkPainted(): void
    {
        $layers = array_map(fn (TileChange $change): string => $change->layer->value, $this->tileChanges);
        foreach (array_unique($layers) as $layer) {
            $pass = $this->find(PassSpec::class, substr((string) strstr($layer, ':'), 1));
            if ($pass !== null && ! $pass->content->kind()->isPainted()) {
                throw new OpRefused("{$pass->name} fills all it reaches; nothing is painted in it. Paint its mask.");
            }
        }
    }

    private function altered(RecordKind $kind): bool
    {
        foreach ($this->recordChanges as $change) {
            if ($change->kind === $kind && ! $change->isNone()) {
                return true;
            }
        }

        return false;
    }
}
