<?php

declare(strict_types=1);

namespace Awning\Core\Sheet;

/** Where a sheet comes from: storage, or memory in tests. Asked only for what is used. */
interface SheetSource
{
    /** @return ?string the tile's bytes; null when it is empty */
    public function tile(string $layer, int $column, int $row): ?string;

    /** @return list<array{int, int}> column and row of the layer's tiles that are not empty */
    public function tilesOf(string $layer): array;

    /** @return array<array-key, array<string, mixed>> by key */
    public function facts(FactKind $kind): array;
}
