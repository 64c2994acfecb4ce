<?php

declare(strict_types=1);

namespace Awning\Core\Sheet\State;

use Awning\Core\Page\LayerName;
use Awning\Core\Page\Record;
use Awning\Core\Page\RecordKind;

/** Where a sheet comes from: storage, or memory in tests. Asked only for what is used. */
interface SheetSource
{
    /** @return ?string the tile's bytes; null when it is empty */
    public function tile(LayerName $layer, int $column, int $row): ?string;

    /** @return list<array{int, int}> column and row of the layer's tiles that are not empty */
    public function tilesOf(LayerName $layer): array;

    /** @return array<array-key, Record> by key */
    public function records(RecordKind $kind): array;

    public function record(RecordKind $kind, int|string $key): ?Record;
}
