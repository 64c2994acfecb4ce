<?php

declare(strict_types=1);

namespace App\Store;

use Awning\Core\Page\Record;

/** Where the records of one kind are kept. */
interface RecordKeeper
{
    /** @return array<array-key, Record> by key */
    public function all(int $page): array;

    public function find(int $page, int|string $key): ?Record;

    /**
     * Those that are there of the records that are named.
     *
     * @param  list<int|string>  $keys
     * @return array<array-key, Record> by key
     */
    public function some(int $page, array $keys): array;

    /** @param  array<array-key, Record>  $records  by key */
    public function put(int $page, array $records): void;

    /** @param  list<int|string>  $keys */
    public function remove(int $page, array $keys): void;
}
